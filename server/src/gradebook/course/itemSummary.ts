import type {
  ClassroomSays,
  CourseFigures,
  CourseRecord,
  ItemSummary,
  LooseEndKind,
  ResultRecord,
} from '@cadro/contract';
import {
  doubtOf,
  isDoneInClass,
  isNotice,
  normaliseCourse,
  tiedUp,
  waitsSinceMs,
  type Course,
} from '@cadro/core';
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

/** Since when a work waits for its score; null where it does not. */
function waitingSince(row: ItemCard, asOfMs: number): string | null {
  const { status, at, due_at, kind, in_class } = row;
  const item = { inClass: isDoneInClass(kind, in_class), dueAtMs: due_at && due_at.getTime() };
  const sinceMs = waitsSinceMs({ status: status ?? 'open', atMs: at && at.getTime(), item }, asOfMs);
  return sinceMs === null ? null : new Date(sinceMs).toISOString();
}

/** What the classroom knows of a loose end and the gradebook does not; null where the two agree. */
function classroomSays(row: ItemCard, kind: LooseEndKind | null, asOfMs: number): ClassroomSays | null {
  const { other_status: status, other_earned: earned, other_at: at } = row;
  if (!status || !at || kind === null || kind === 'unmarked') return null;
  const said = { status: row.status ?? 'open', earned: row.earned, atMs: row.at && row.at.getTime() };
  const doubt = doubtOf(said, { status, earned, atMs: at.getTime() }, asOfMs);
  return doubt && { status, earned, at: at.toISOString(), doubt };
}

/** Turns a course's rows into summaries; the course is read once for all of them. */
export function itemSummaries(record: CourseRecord, figures: CourseFigures) {
  const course = normaliseCourse(record);
  const histories = resultsByItem(record);
  const looseEnds = new Map(figures.looseEnds.map((end) => [end.itemId, end]));
  const chances = new Map(figures.chances.map((chance) => [chance.itemId, chance]));
  return (row: ItemCard): ItemSummary => ({
    id: row.id,
    title: row.title,
    categoryId: row.category_id,
    possible: row.possible,
    counts: row.counts,
    extraCredit: row.extra_credit,
    assignedAt: row.assigned_told ? row.assigned_at.toISOString() : null,
    dueAt: isoOrNull(row.due_at),
    state: {
      status: row.status ?? 'open',
      at: isoOrNull(row.at),
      earned: row.earned,
      late: row.late ?? false,
      levels: row.levels ?? {},
    },
    looseEnd: looseEnds.get(row.id) ?? null,
    chance: chances.get(row.id) ?? null,
    waitingSince: waitingSince(row, course.asOfMs),
    notice: isNotice({ kind: row.kind, possible: row.possible, dated: row.due_at !== null }),
    classroom: classroomSays(row, looseEnds.get(row.id)?.kind ?? null, course.asOfMs),
    was: wasOf(course, histories.get(row.id) ?? [], row.id),
    own: row.own_id === null ? null : row.own_id === row.id ? 'alone' : 'ahead',
    unit: row.unit,
    commentCount: row.comment_count,
    remarked: row.remarked,
  });
}
