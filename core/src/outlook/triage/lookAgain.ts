import type { Matter } from '@cadro/contract';
import type { FamilyFacts } from './facts';
import { nextEnd } from './looseWork';

/** What was agreed comes before what is new: it is somebody's word. */
const agreedStake = 0.15;

/** Follow-ups whose date has come and that the record has not settled. */
export function lookAgain(facts: FamilyFacts): Matter[] {
  return facts.followUps.flatMap((followUp): Matter[] => {
    // What waits for a yes or a no is asked for as that.
    if (!followUp.due || followUp.lookAgainOn === null || followUp.askedOfMe) return [];
    const course = facts.courses.find(
      ({ id, studentId }) => id === followUp.courseId && studentId === followUp.studentId,
    );
    const end = course?.looseEnds.find(({ itemId }) => itemId === followUp.itemId);
    return [
      {
        kind: 'look-again',
        key: `look-again:${followUp.id}`,
        studentId: followUp.studentId,
        courseId: followUp.courseId,
        courseTitle: followUp.courseTitle,
        stake: Math.max(agreedStake, (end?.impact ?? 0) / (course?.outOf ?? 1)),
        expiresAt: end ? nextEnd([end], facts.now) : null,
        alertIds: [],
        followUpId: followUp.id,
        itemId: followUp.itemId,
        title: followUp.title,
        lookAgainOn: followUp.lookAgainOn,
        stillKind: end?.kind ?? null,
        written: followUp.written,
      },
    ];
  });
}
