import type { FamilyFacts, FollowUpFacts } from './facts';

type Subject = Pick<FollowUpFacts, 'studentId' | 'topic'> &
  Partial<Pick<FollowUpFacts, 'courseId' | 'itemId'>>;

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
      (wanted.itemId === undefined || each.itemId === wanted.itemId),
  );
