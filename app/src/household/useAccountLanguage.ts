import { useEffect } from 'react';
import { chosenAtTheDoor, languageChosen, useAppDispatch, useAppSelector } from '../store';
import { useChangeMeMutation, useMeQuery } from './api';

/** One language on the page and in what the server says: the account's, or the one that was chosen on the way in. */
export function useAccountLanguage(): void {
  const dispatch = useAppDispatch();
  const { data: me } = useMeQuery();
  const chosen = useAppSelector(({ session }) => session.chosen);
  const [changeMe] = useChangeMeMutation();
  const own = me?.language;
  useEffect(() => {
    if (!own) return;
    if (chosen === null) dispatch(languageChosen(own));
    else {
      if (chosen !== own) void changeMe({ language: chosen });
      dispatch(chosenAtTheDoor(null));
    }
    // Only what the account says, or what was said at the door, is followed: what is chosen inside is told as it is chosen.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [own]);
}
