import type { AbsencePurpose, NamedLooseEnd } from '@cadro/contract';
import type { CourseFacts, FamilyFacts, FollowUpFacts } from './facts';

type Subject = Pick<FollowUpFacts, 'studentId' | 'topic'> &
  Partial<Pick<FollowUpFacts, 'courseId'>> & { readonly itemId?: string };

/**
 * Whether somebody has it in hand. A follow-up speaks for its own child: one course, and one work of it, may be
 * a brother's, too.
 */
export const isInHand = ({ followUps }: FamilyFacts, wanted: Subject): boolean =>
  followUps.some(
    (each) =>
      each.studentId === wanted.studentId &&
      each.topic === wanted.topic &&
      (wanted.courseId === undefined || each.courseId === wanted.courseId) &&
      (wanted.itemId === undefined || each.itemIds.includes(wanted.itemId)),
  );

/**
 * Whether somebody has a loose end in hand: by itself, or with its whole course, unless it came to be due after the
 * course was taken in hand.
 */
export function isEndInHand(
  facts: FamilyFacts,
  course: CourseFacts,
  { itemId, dueAt }: NamedLooseEnd,
): boolean {
  const { studentId, id } = course;
  if (isInHand(facts, { studentId, topic: 'work', itemId })) return true;
  return facts.followUps.some(
    (each) =>
      each.studentId === studentId &&
      each.topic === 'course' &&
      each.courseId === id &&
      (dueAt === null || Date.parse(dueAt) <= Date.parse(each.takenAt)),
  );
}

/** Explaining a day or objecting to its mark speaks for it; its work and days to come are other matters. */
const speaksFor = (purpose: AbsencePurpose | undefined): boolean =>
  purpose === 'explain' || purpose === 'object';

/** Whether somebody has a day's absence of a child in hand: with all of its attendance, or the day itself. */
export function dayInHand({ followUps }: FamilyFacts, studentId: string): (on: string) => boolean {
  const own = followUps.filter((each) => each.studentId === studentId && each.topic === 'attendance');
  const whole = own.some(({ absence }) => absence === null);
  const days = new Set(
    own.flatMap(({ absence }) => (speaksFor(absence?.purpose) ? (absence?.on ?? []) : [])),
  );
  return (on) => whole || days.has(on);
}
