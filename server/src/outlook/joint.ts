import type { Child, JointAnswer, Picks } from '@cadro/contract';
import { jointly } from '@cadro/core';
import type { Clock, Db } from '../db';
import { courseSummary, coursesOf } from '../gradebook';
import { householdOf } from '../household';
import { HttpProblem } from '../http/problems';
import { householdRecords } from './work';

/**
 * What several works come to together, course by course: impacts need not add up, this is the figure they reach.
 * @throws HttpProblem 404 when a work is not one of these children's.
 */
export async function jointAnswer(
  { db, clock }: { db: Db; clock: Clock },
  guardianId: string,
  children: readonly Child[],
  picks: Picks['picks'],
): Promise<JointAnswer> {
  const studentIds = [...new Set(picks.map(({ studentId }) => studentId))];
  if (studentIds.some((id) => children.every((child) => child.id !== id))) throw new HttpProblem('not-found');
  const now = await clock.now();
  const { id: householdId } = await householdOf(db, guardianId);
  const rows = (await coursesOf(db, { studentIds, guardianId, now })).map(courseSummary);
  const answers = await Promise.all(
    studentIds.map(async (studentId) => {
      const asked = new Set(picks.flatMap((pick) => (pick.studentId === studentId ? [pick.itemId] : [])));
      const records = await householdRecords(db, studentId, householdId, now);
      const found = records.flatMap((record) => {
        const own = (record.items ?? []).map(({ id }) => id).filter((id) => asked.delete(id));
        const row = rows.find((each) => each.id === record.id && each.studentId === studentId);
        if (own.length === 0 || !row) return [];
        return [
          {
            studentId,
            courseId: row.id,
            courseTitle: row.title,
            outOf: row.scale.outOf,
            decimals: row.scale.decimals,
            count: own.length,
            ...jointly(record, own),
          },
        ];
      });
      if (asked.size > 0) throw new HttpProblem('not-found');
      return found;
    }),
  );
  return { courses: answers.flat() };
}
