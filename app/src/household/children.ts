import type { Child } from '@cadro/contract';
import { useAppSelector } from '../store/store';
import { useMeQuery } from './api';

/** The children in sight: everyone, or the one that is chosen. */
export function useChildren(): {
  all: readonly Child[];
  shown: readonly Child[];
  nameOf: (id: string) => string;
  mayTalk: (id: string) => boolean;
} {
  const { data: me } = useMeQuery();
  const chosen = useAppSelector((state) => state.prefs.childId);
  const all = me?.children ?? [];
  const one = all.filter(({ id }) => id === chosen);
  return {
    all,
    shown: one.length > 0 ? one : all,
    nameOf: (id) => all.find((child) => child.id === id)?.givenName ?? '',
    mayTalk: (id) => all.find((child) => child.id === id)?.role === 'guardian',
  };
}
