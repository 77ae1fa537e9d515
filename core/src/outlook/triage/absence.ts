import type { Matter } from '@cadro/contract';
import type { FamilyFacts } from './facts';
import { dayInHand } from './inHand';

/** Each unexplained day weighs as much as two points of a hundred. */
const dayStake = 0.02;

/** Absences nobody explained, and leaving early more than once, unless somebody has them in hand. */
export function absence(facts: FamilyFacts): Matter[] {
  return facts.absences.flatMap((child): Matter[] => {
    const inHand = dayInHand(facts, child.studentId);
    const open = (on: string) => !inHand(on);
    const unexplainedOn = child.unexplainedOn.filter(open);
    const leftEarlyOn = child.leftEarlyOn.length >= 2 ? child.leftEarlyOn.filter(open) : [];
    const dates = new Set([...unexplainedOn, ...leftEarlyOn]);
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
        alertIds: [],
        unexplainedOn,
        leftEarlyOn,
        lessons: [...child.lessons],
      },
    ];
  });
}
