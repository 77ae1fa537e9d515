import { useEffect } from 'react';
import { chosenAtTheDoor, languageChosen, useAppDispatch, useAppSelector } from '../store';
import { useChangeMeMutation, useMeQuery } from './api';

/**
 * One language on the page and in what the server says: the account's, or the one that was chosen on the way in, until the
 * account has it. What is chosen inside is told to the account as it is chosen.
 */
export function useAccountLanguage(): void {
  const dispatch = useAppDispatch();
  const { data: me } = useMeQuery();
  const { chosen, ended } = useAppSelector(({ session }) => session);
  const [changeMe] = useChangeMeMutation();
  const own = me?.language;
  useEffect(() => {
    if (!own || ended) return;
    if (chosen !== null && chosen !== own) {
      void changeMe({ language: chosen });
      return;
    }
    dispatch(languageChosen(own));
    dispatch(chosenAtTheDoor(null));
  }, [own, chosen, ended, dispatch, changeMe]);
}
