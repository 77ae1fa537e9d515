import type { ClosedDoor, NamedLooseEnd } from '@cadro/contract';
import { dayMs } from '../../dates';
import { fallsIfLeft } from '../work/leftValue';
import type { FamilyFacts } from './facts';

/** That a last day has passed is news for this long; then it rests in the story of its course. */
const newsMs = 3 * dayMs;

/**
 * What can no longer be mended since the last days: said once, as news, and it asks for nothing. Course by course, the
 * last to close first.
 */
export function closedDoors({ courses, now }: FamilyFacts): ClosedDoor[] {
  const nowMs = Date.parse(now);
  const isNews = ({ deadline, kind }: NamedLooseEnd): boolean => {
    // A zero or a least score stays what it is; what was left becomes what missing work counts as.
    if (deadline === null || kind === 'again' || !fallsIfLeft(kind)) return false;
    const sinceMs = nowMs - Date.parse(deadline);
    return sinceMs > 0 && sinceMs <= newsMs;
  };
  const doors = courses.flatMap(({ id, studentId, title, leftAs, looseEnds, closed }): ClosedDoor[] => {
    const ends = [...looseEnds.filter(({ recoverable }) => !recoverable), ...closed].filter(isNews);
    const [first] = ends;
    if (!first) return [];
    const closedAt =
      ends
        .flatMap(({ deadline }) => deadline ?? [])
        .sort()
        .at(-1) ?? now;
    const works = ends.map(({ itemId, title: name }) => ({ itemId, title: name }));
    return [{ studentId, courseId: id, courseTitle: title, works, countsAs: leftAs, closedAt }];
  });
  return doors.sort((a, b) => Date.parse(b.closedAt) - Date.parse(a.closedAt));
}
