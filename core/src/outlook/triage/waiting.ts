import type { Matter } from '@cadro/contract';
import { dayMs } from '../../dates';
import type { FamilyFacts } from './facts';
import { isEndInHand } from './inHand';

/** So long before the end of a term a teacher still has the time to score what waits. */
const beforeEndMs = 7 * dayMs;
/** What a score will be is not known: it weighs as much as three points of a hundred. */
const waitingStake = 0.03;

/** Work that waits for its score in the last week of a term: afterwards it is left out of the grade. */
export function waiting(facts: FamilyFacts): Matter[] {
  return facts.courses.flatMap((course): Matter[] => {
    const leftMs = Date.parse(course.termEnd) - Date.parse(facts.now);
    if (leftMs < 0 || leftMs > beforeEndMs) return [];
    const looseEnds = course.looseEnds.filter(
      (end) => end.kind === 'unmarked' && !isEndInHand(facts, course, end),
    );
    if (looseEnds.length === 0) return [];
    const { id, studentId, title, grade, outOf, decimals, termEnd } = course;
    return [
      {
        kind: 'waiting',
        key: `waiting:${studentId}:${id}`,
        ...{ studentId, courseId: id, courseTitle: title, grade, outOf, decimals, termEnd },
        ...{ stake: waitingStake, expiresAt: termEnd, alertIds: [], looseEnds },
      },
    ];
  });
}
