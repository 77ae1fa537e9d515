import type { CourseRecord, ItemRecord } from '@cadro/contract';
import { dayMs } from '../../dates';
import { isOrdinary, normaliseCourse, type Item } from '../../gradebook';

const weekMs = 7 * dayMs;
/** Places for works that may still come: more than are expected, so that a busy month can be drawn, too. */
const placesFor = (expected: number): number => Math.min(60, Math.ceil(3 * expected) + 2);

/** Work that has not been published yet, as the weeks so far let one expect it. */
export interface Unpublished {
  /** Places for such works, spread over the rest of the term, category by category. */
  readonly items: readonly ItemRecord[];
  /** How likely each place is taken, by its id. */
  readonly chances: ReadonlyMap<string, number>;
  /** How many are expected in all. */
  readonly expected: number;
}

const nothing: Unpublished = { items: [], chances: new Map(), expected: 0 };

/** The weeks a course has run: from its first work to now, at least one. */
function weeksSoFar(items: readonly Item[], asOfMs: number): number {
  const begins = items.flatMap(({ assignedAtMs, dueAtMs }) => assignedAtMs ?? dueAtMs ?? []);
  const beganMs = Math.min(asOfMs, ...begins);
  return Math.max(1, (asOfMs - beganMs) / weekMs);
}

/**
 * What the rest of the term will bring beside the works that are known: as many a week in each category as have been due
 * so far, of the same masses, less those that are published already.
 */
export function unpublishedWork(record: CourseRecord): Unpublished {
  const { items, policy, asOfMs, categories } = normaliseCourse(record);
  const leftMs = policy.termEndMs - asOfMs;
  const ordinary = items.filter(isOrdinary);
  if (leftMs <= 0 || ordinary.length === 0) return nothing;
  const weeks = weeksSoFar(ordinary, asOfMs);
  const chances = new Map<string, number>();
  let all = 0;
  const places = categories.flatMap(({ id: categoryId }) => {
    const own = ordinary.filter((item) => item.categoryId === categoryId);
    const past = own.filter(({ dueAtMs }) => dueAtMs !== null && dueAtMs < asOfMs);
    const published = own.filter(({ dueAtMs }) => dueAtMs !== null && dueAtMs >= asOfMs).length;
    const expected = Math.max(0, (past.length / weeks) * (leftMs / weekMs) - published);
    if (expected === 0) return [];
    all += expected;
    const count = placesFor(expected);
    return Array.from({ length: count }, (_, place): ItemRecord => {
      const like = past[place % past.length]!;
      const id = `unpublished:${categoryId}:${place}`;
      chances.set(id, expected / count);
      const dueAt = new Date(asOfMs + ((place + 0.5) / count) * leftMs).toISOString();
      const { possible, multiplier } = like;
      return { id, categoryId, possible, multiplier, assignedAt: record.asOf, dueAt };
    });
  });
  return { items: places, chances, expected: all };
}
