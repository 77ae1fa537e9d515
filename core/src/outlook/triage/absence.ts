import type { Matter } from '@cadro/contract';
import type { FamilyFacts } from './facts';
import { isInHand } from './inHand';

/** Each unexplained day weighs as much as two points of a hundred. */
const dayStake = 0.02;

/** Absences nobody explained, and leaving early more than once, unless somebody has them in hand. */
export function absence(facts: FamilyFacts): Matter[] {
  return facts.absences.flatMap((child): Matter[] => {
    if (isInHand(facts, { studentId: child.studentId, topic: 'attendance' })) return [];
    const leftEarlyOn = child.leftEarlyOn.length >= 2 ? [...child.leftEarlyOn] : [];
    const dates = new Set([...child.unexplainedOn, ...leftEarlyOn]);
    if (dates.size === 0) return [];
    return [
      {
        kind: 'absence',
        key: `absence:${child.studentId}`,
        studentId: child.studentId,
        courseId: null,
        courseTitle: null,
        stake: dates.size * dayStake,
        expiresAt: null,
        unexplainedOn: [...child.unexplainedOn],
        leftEarlyOn,
        lessons: [...child.lessons],
      },
    ];
  });
}
