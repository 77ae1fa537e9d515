import { usePathname, useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { tinykeys } from 'tinykeys';
import { useSelf } from '../household';
import { childChosen, useAppDispatch, useAppSelector } from '../store';
import { childsPlaces, places, type PlaceName } from '../ui';
import { toLine } from './keyTargets';
import { useNextChild } from './useNextChild';

/** What the keys do, in the order in which the sheet lists them. */
export const keyActs = [
  'places',
  'child',
  'everyone',
  'evenings',
  'next',
  'before',
  'add',
  'search',
  'sheet',
] as const;
export const keysOf: Readonly<Record<(typeof keyActs)[number], string>> = {
  places: '1 – 5',
  child: 'c',
  everyone: '0',
  evenings: 'e',
  next: 'n',
  before: 'p',
  add: 'a',
  search: '/',
  sheet: '?',
};

/** Single keys lead to places, children, lines and the search. Whether the sheet that lists them is open, and what folds it. */
export function useKeys() {
  const router = useRouter();
  const path = usePathname();
  const dispatch = useAppDispatch();
  const on = useAppSelector((state) => state.prefs.keys);
  const own: readonly PlaceName[] = useSelf() ? childsPlaces : places;
  const nextChild = useNextChild();
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const press = (act: () => unknown) => (event: KeyboardEvent) => {
      event.preventDefault();
      act();
    };
    const all = {
      ...Object.fromEntries(own.map((name, at) => [`${at + 1}`, press(() => router.push(`/${name}`))])),
      c: press(() => nextChild(1)),
      '0': press(() => dispatch(childChosen(null))),
      e: press(() => router.push('/work/plan')),
      n: press(() => toLine(1)),
      p: press(() => toLine(-1)),
      a: press(() => router.push('/days/entries/new')),
      '/': press(() => router.push('/search')),
      'Shift+?': press(() => setOpen(true)),
    };
    // The sheet is there even where the keys are off: it is where they are put on again.
    const heard = on ? all : { 'Shift+?': all['Shift+?'] };
    return tinykeys(window, { ...heard, Escape: () => setOpen(false) });
  });
  useEffect(() => setOpen(false), [path]);
  return { open, close: () => setOpen(false) };
}
