import type { Child } from '@cadro/contract';
import { useAppSelector } from '../store';
import { useMeQuery } from './api';
import { lettersOf } from './letters';

/** The child whose own account this is; null for everybody else. */
export function useSelf(): Child | null {
  const { data: me } = useMeQuery();
  return me?.children.find(({ role }) => role === 'student') ?? null;
}

/** The children in sight: everyone, or the one that is chosen. */
export function useChildren(): {
  all: readonly Child[];
  shown: readonly Child[];
  nameOf: (id: string) => string;
  mayTalk: (id: string) => boolean;
  /** Whether one has aims for a child: its guardians theirs, the child its own. */
  mayAim: (id: string) => boolean;
  /** Whether one may write about these children; none are all, of whom one is enough. */
  mayWrite: (ids: readonly string[]) => boolean;
  /** By what a child is told apart in drawings; null for one that is not linked. */
  markOf: (id: string) => { letter: string; place: number } | null;
} {
  const { data: me } = useMeQuery();
  const chosen = useAppSelector((state) => state.prefs.childId);
  const all = me?.children ?? [];
  const one = all.filter(({ id }) => id === chosen);
  const mayTalk = (id: string) => all.find((child) => child.id === id)?.role === 'guardian';
  const mayAim = (id: string) => mayTalk(id) || all.find((child) => child.id === id)?.role === 'student';
  const letters = lettersOf(all.map(({ givenName }) => givenName));
  return {
    all,
    shown: one.length > 0 ? one : all,
    nameOf: (id) => all.find((child) => child.id === id)?.givenName ?? '',
    mayTalk,
    mayAim,
    mayWrite: (ids) => (ids.length === 0 ? all.some(({ id }) => mayTalk(id)) : ids.every(mayTalk)),
    markOf: (id) => {
      const place = all.findIndex((child) => child.id === id);
      return place < 0 ? null : { letter: letters[place] ?? '', place };
    },
  };
}
