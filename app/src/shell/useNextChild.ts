import { useMeQuery } from '../household';
import { childChosen, useAppDispatch, useAppSelector } from '../store';

/** The way to the child beside the chosen one in the switch, where everyone stands first; nowhere with a single child. */
export function useNextChild(): (by: 1 | -1) => void {
  const dispatch = useAppDispatch();
  const { data: me } = useMeQuery();
  const chosen = useAppSelector((state) => state.prefs.childId);
  const children = me?.children ?? [];
  const all = [null, ...children.map(({ id }) => id)];
  return (by) => {
    const next = all[(all.indexOf(chosen) + by + all.length) % all.length] ?? null;
    if (children.length > 1) dispatch(childChosen(next));
  };
}
