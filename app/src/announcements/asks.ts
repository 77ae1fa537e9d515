import type { Announcement } from '@cadro/contract';

/** Whether the school still waits for an answer about one of the children that are shown. */
export const waitsFor = (
  { open, studentIds, answers }: Pick<Announcement, 'open' | 'studentIds' | 'answers'>,
  shown: ReadonlySet<string>,
): boolean =>
  open && studentIds.some((id) => shown.has(id) && !answers.some(({ studentId }) => studentId === id));

/** Which of a guardian's announcements a list shows. */
export const shelves = ['here', 'kept', 'away'] as const;
export type Shelf = (typeof shelves)[number];

export const onShelf = (shelf: Shelf, { kept, archived }: Announcement): boolean =>
  shelf === 'away' ? archived : shelf === 'kept' ? kept && !archived : !archived;

/**
 * What is worth a look on Talk: what waits for an answer by its last day, helpers last; then what is new. What is put
 * away is not among it.
 */
export function worthALook(
  announcements: readonly Announcement[],
  shown: ReadonlySet<string>,
): Announcement[] {
  const here = announcements.filter(
    ({ archived, studentIds }) => !archived && studentIds.some((id) => shown.has(id)),
  );
  const waiting = here
    .filter((each) => waitsFor(each, shown))
    .sort((a, b) => Number(a.helpers) - Number(b.helpers) || (a.by ?? '9').localeCompare(b.by ?? '9'));
  return [...waiting, ...here.filter((each) => !each.read && !waiting.includes(each))];
}
