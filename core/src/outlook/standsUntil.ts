import type { CourseRecord } from '@cadro/contract';
import { dayMs } from '../dates';
import { normaliseCourse, type Course, type Item } from '../gradebook';
import { lastAcceptedMs, markingMs } from './work/looseEnds';

/** What holds up to an instant, and no longer after it. */
const after = (ms: number | null | undefined): number => (ms ?? Infinity) + 1;

/** When a late rule next takes something off a work that can still be handed in. */
function nextDayLate({ dueAtMs }: Item, { asOfMs, policy }: Course): number {
  if (policy.late.kind !== 'perDay' || dueAtMs === null || dueAtMs >= asOfMs) return Infinity;
  return after(dueAtMs + Math.ceil((asOfMs - dueAtMs) / dayMs) * dayMs);
}

const instantsOfItem = (item: Item, course: Course): readonly number[] => {
  const { assignedAtMs, dueAtMs, acceptedUntilMs, offer } = item;
  const waits = item.inClass && dueAtMs !== null ? dueAtMs + markingMs : null;
  const late = course.asOfMs <= lastAcceptedMs(item, course.policy) ? nextDayLate(item, course) : Infinity;
  return [
    assignedAtMs ?? Infinity,
    ...[after(dueAtMs), after(acceptedUntilMs), after(offer?.untilMs), after(waits), late],
  ];
};

/**
 * Up to when the clock alone changes nothing of what is answered of a course: the first instant after the record's own at
 * which a work is given out or due, an offer or a term ends, a mark has been waited for too long, another day late takes
 * something off, or a result comes to be known. Only the trend moves on between: it is told by weeks.
 * @returns milliseconds since 1970, later than the record's instant; Infinity where nothing is to come.
 */
export function standsUntilMs(record: CourseRecord): number {
  const course = normaliseCourse(record);
  const { asOfMs, items, results, policy } = course;
  let until = Infinity;
  const consider = (ms: number): void => {
    if (ms > asOfMs && ms < until) until = ms;
  };
  consider(after(policy.termEndMs));
  for (const item of items) for (const ms of instantsOfItem(item, course)) consider(ms);
  for (const { atMs, status } of results) {
    consider(atMs);
    if (status === 'handed-in') consider(after(atMs + markingMs));
  }
  return until;
}
