import type { ClosedDoor, OpenEnd } from '@cadro/contract';
import { dayMs } from '../../dates';
import { fallsIfLeft } from '../work/leftValue';
import type { FamilyFacts } from './facts';

/** That a last day has passed is news for this long; then it rests in the story of its course. */
const newsMs = 3 * dayMs;

/**
 * Ends whose last day came after an instant, and can no longer be mended. A zero or a least score stays what it is;
 * what was left becomes what missing work counts as. Of a day that came after the last reading nobody knows yet whether
 * the work was handed in by then.
 * @param within.readAt the last whole reading of the course's source; null where the family writes the record itself.
 */
export const closedSince = <E extends Pick<OpenEnd, 'kind' | 'deadline' | 'recoverable'>>(
  ends: readonly E[],
  within: { readonly sinceMs: number; readonly nowMs: number; readonly readAt: string | null },
): E[] => {
  const { sinceMs, nowMs, readAt } = within;
  const knownMs = readAt === null ? nowMs : Math.min(nowMs, Date.parse(readAt));
  return ends.filter(({ kind, deadline, recoverable }) => {
    if (recoverable || deadline === null || kind === 'again' || !fallsIfLeft(kind)) return false;
    const lastMs = Date.parse(deadline);
    return lastMs < knownMs && lastMs >= sinceMs;
  });
};

/**
 * What can no longer be mended since the last days: said once, as news, and it asks for nothing. Course by course, the
 * last to close first.
 */
export function closedDoors({ courses, now }: FamilyFacts): ClosedDoor[] {
  const nowMs = Date.parse(now);
  const doors = courses.flatMap(
    ({ id, studentId, title, leftAs, looseEnds, closed, readAt }): ClosedDoor[] => {
      const ends = closedSince([...looseEnds, ...closed], { sinceMs: nowMs - newsMs, nowMs, readAt });
      const [first] = ends;
      if (!first) return [];
      const closedAt =
        ends
          .flatMap(({ deadline }) => deadline ?? [])
          .sort()
          .at(-1) ?? now;
      const works = ends.map(({ itemId, title: name }) => ({ itemId, title: name }));
      return [{ studentId, courseId: id, courseTitle: title, works, countsAs: leftAs, closedAt }];
    },
  );
  return doors.sort((a, b) => Date.parse(b.closedAt) - Date.parse(a.closedAt));
}
