import MiniSearch from 'minisearch';
import type { WorkRow } from '@cadro/contract';
import { keyOf } from './arrangeWork';

/** A search over titles, courses and kinds that forgives a slip. */
export function searchOf(rows: readonly WorkRow[]): (words: string) => ReadonlySet<string> | null {
  const index = new MiniSearch<{ id: string; title: string; course: string; kind: string }>({
    fields: ['title', 'course', 'kind'],
    searchOptions: { prefix: true, fuzzy: 0.2, combineWith: 'AND' },
  });
  index.addAll(
    rows.map((row) => ({
      id: keyOf(row),
      title: row.title,
      course: row.courseTitle,
      kind: row.itemKind ?? '',
    })),
  );
  return (words) => (words.trim() === '' ? null : new Set(index.search(words).map(({ id }) => String(id))));
}
