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

function lastResults(results: readonly Result[], atMs: number): Map<string, Result> {
  const last = new Map<string, Result>();
  for (const result of results) {
    if (result.atMs > atMs) continue;
    const known = last.get(result.itemId);
    if (!known || result.atMs >= known.atMs) last.set(result.itemId, result);
  }
  return last;
}

/**
 * The standing of every item that exists at the instant, in the order of the record.
 * An item exists from the earlier of its assignment and its first result.
 * @param options.wholeTerm also gives the items that are not assigned yet (targets ask about these).
 */
export function standingsAt(course: Course, atMs: number, options?: { wholeTerm: boolean }): Standing[] {
  const last = lastResults(course.results, atMs);
  const standings: Standing[] = [];
  for (const item of course.items) {
    const result = last.get(item.id);
    const exists = result || options?.wholeTerm || item.assignedAtMs === null || item.assignedAtMs <= atMs;
    if (!exists) continue;
    standings.push({
      item,
      status: result?.status ?? 'open',
      atMs: result?.atMs ?? null,
      earned: result?.earned ?? null,
      levels: result?.levels ?? noLevels,
    });
  }
  return standings;
}

/** Whether an item can ever be part of a sum or a loose end: it counts, has mass and is no extra credit. */
export const isOrdinary = (item: Item): boolean => item.counts && !item.extraCredit && item.mass > 0;
