import { use, useMemo } from 'react';
import type { WorkRow } from '@cadro/contract';
import type * as Search from './search';

let coming: Promise<typeof Search> | undefined;

/** Which of some rows are meant by words; null where there are none. Nothing is indexed before somebody searches. */
export function useFound(rows: readonly WorkRow[], words: string): ReadonlySet<string> | null {
  const there = words.trim() === '' ? null : use((coming ??= import('./search')));
  const search = useMemo(() => there?.searchOf(rows) ?? null, [there, rows]);
  return useMemo(() => search?.(words) ?? null, [search, words]);
}
