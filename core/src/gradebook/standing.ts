import type { ResultStatus } from '@cadro/contract';
import type { Course, Item, Result } from './course';

/** How an item stands at an instant: its last result by then, or open when there is none. */
export interface Standing {
  readonly item: Item;
  readonly status: ResultStatus;
  /** When the standing result was written; null for an item without any result. */
  readonly atMs: number | null;
  readonly earned: number | null;
  readonly levels: Readonly<Record<string, number>>;
}

const noLevels = {};

/**
 * The standing of every item, in the order of the record, also of those that are not assigned yet.
 * @param last the standing result of each item, by its index.
 */
export const standingsOf = (course: Course, last: readonly (Result | undefined)[]): Standing[] =>
  course.items.map((item, index) => {
    const result = last[index];
    return {
      item,
      status: result?.status ?? 'open',
      atMs: result?.atMs ?? null,
      earned: result?.earned ?? null,
      levels: result?.levels ?? noLevels,
    };
  });

/** An item exists from the earlier of its assignment and its first result. */
export const exists = ({ item, atMs }: Standing, asOfMs: number): boolean =>
  atMs !== null || item.assignedAtMs === null || item.assignedAtMs <= asOfMs;

/** The standing of every item that exists at an instant, in the order of the record. */
export function standingsAt(course: Course, atMs: number): Standing[] {
  const last: (Result | undefined)[] = new Array(course.items.length);
  for (const result of course.results) {
    const index = course.indexOf.get(result.itemId);
    if (index === undefined || result.atMs > atMs) continue;
    const known = last[index];
    if (!known || result.atMs >= known.atMs) last[index] = result;
  }
  return standingsOf(course, last).filter((standing) => exists(standing, atMs));
}

/** Whether an item can ever be part of a sum or a loose end: it counts, has mass and is no extra credit. */
export const isOrdinary = (item: Item): boolean => item.counts && !item.extraCredit && item.mass > 0;
