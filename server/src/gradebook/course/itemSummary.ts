import type { CourseFigures, CourseRecord, ItemSummary, ResultRecord } from '@cadro/contract';
import { normaliseCourse, tiedUp, type Course } from '@cadro/core';
import type { ItemCard } from '../store';
import { isoOrNull } from './views';

/** A course's history by work, oldest first. */
export function resultsByItem({ results }: CourseRecord): ReadonlyMap<string, readonly ResultRecord[]> {
  const byItem = new Map<string, ResultRecord[]>();
  for (const result of results ?? []) {
    const known = byItem.get(result.itemId);
    if (known) known.push(result);
    else byItem.set(result.itemId, [result]);
  }
  return byItem;
}

/** What a record says itself; that nobody had marked a work is no part of its history. */
const said: readonly ItemSummary['was'][] = ['missing', 'incomplete', 'zero', 'at-floor'];

/** The loose end that the last change of a work tied up: 'missing' of what was missing and is now marked. */
function wasOf(course: Course, history: readonly ResultRecord[], itemId: string): ItemSummary['was'] {
  const index = course.indexOf.get(itemId);
  const item = index === undefined ? undefined : course.items[index];
  if (!item) return null;
  let was: ItemSummary['was'] = null;
  let before = { status: 'open' as ResultRecord['status'], earned: null as number | null };
  for (const { status, earned, at } of history) {
    const after = { status, earned: earned ?? null };
    const ended = tiedUp(item, course.policy, before, after, Date.parse(at));
    was = said.includes(ended) ? (ended ?? was) : status === 'scored' ? was : null;
    before = after;
  }
  return was;
}

/** Turns a course's rows into summaries; the course is read once for all of them. */
export function itemSummaries(record: CourseRecord, figures: CourseFigures) {
  const course = normaliseCourse(record);
  const histories = resultsByItem(record);
  const looseEnds = new Map(figures.looseEnds.map((end) => [end.itemId, end]));
  return (row: ItemCard): ItemSummary => ({
    id: row.id,
    title: row.title,
    categoryId: row.category_id,
    possible: row.possible,
    counts: row.counts,
    extraCredit: row.extra_credit,
    assignedAt: row.assigned_at.toISOString(),
    dueAt: isoOrNull(row.due_at),
    state: {
      status: row.status ?? 'open',
      at: isoOrNull(row.at),
      earned: row.earned,
      late: row.late ?? false,
      levels: row.levels ?? {},
    },
    looseEnd: looseEnds.get(row.id) ?? null,
    was: wasOf(course, histories.get(row.id) ?? [], row.id),
    unit: row.unit,
    commentCount: row.comment_count,
  });
}
