import type { CourseRecord } from '@cadro/contract';

/** What is wrong with a record that fits its schema: where, as a JSON pointer, and why. */
export interface Fault {
  readonly path: string;
  readonly message: string;
}

function firstTwice(path: string, list: readonly { readonly id: string }[]): Fault | null {
  const seen = new Set<string>();
  for (const [index, { id }] of list.entries()) {
    if (seen.has(id)) return { path: `${path}/${index}/id`, message: `'${id}' is given twice` };
    seen.add(id);
  }
  return null;
}

function firstUnknown(
  path: string,
  member: string,
  ids: readonly string[],
  known: ReadonlySet<string>,
): Fault | null {
  const index = ids.findIndex((id) => !known.has(id));
  return index < 0 ? null : { path: `${path}/${index}/${member}`, message: `'${ids[index]}' is not listed` };
}

/** The first inconsistency of a course's record: an id given twice, a reference to nothing; null when it is sound. */
export function courseFault(record: CourseRecord): Fault | null {
  const categories = record.categories ?? [];
  const items = record.items ?? [];
  return (
    firstTwice('/categories', categories) ??
    firstTwice('/standards', record.standards ?? []) ??
    firstTwice('/items', items) ??
    firstUnknown(
      '/items',
      'categoryId',
      items.map(({ categoryId }) => categoryId),
      new Set(categories.map(({ id }) => id)),
    ) ??
    firstUnknown(
      '/results',
      'itemId',
      (record.results ?? []).map(({ itemId }) => itemId),
      new Set(items.map(({ id }) => id)),
    )
  );
}
