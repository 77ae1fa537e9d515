import type { AbsencePurpose, Matter } from '@cadro/contract';
import type { FamilyFacts } from './facts';

/** Each unexplained day weighs as much as two points of a hundred. */
const dayStake = 0.02;

/** Explaining a day or objecting to its mark speaks for it; its work and days to come are other matters. */
const speaksFor = (purpose: AbsencePurpose | undefined): boolean =>
  purpose === 'explain' || purpose === 'object';

/** Absences nobody explained, and leaving early more than once, unless somebody has them in hand. */
export function absence(facts: FamilyFacts): Matter[] {
  return facts.absences.flatMap((child): Matter[] => {
    const inHand = facts.followUps.filter(
      ({ studentId, topic }) => studentId === child.studentId && topic === 'attendance',
    );
    if (inHand.some((each) => each.absence === null)) return [];
    const spokenFor = new Set(
      inHand.flatMap((each) => (speaksFor(each.absence?.purpose) ? (each.absence?.on ?? []) : [])),
    );
    const open = (on: string) => !spokenFor.has(on);
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
