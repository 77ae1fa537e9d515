import type { Child, JointAnswer, Picks } from '@cadro/contract';
import { jointly } from '@cadro/core';
import { type Clock, type Db, HttpProblem } from '../kit';
import { courseSummaries, householdRecords } from '../gradebook';
import { householdOf } from '../household';

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
  const rows = await courseSummaries(db, { studentIds, guardianId, now });
  const records = await householdRecords(db, { studentIds, householdId, asOf: now });
  const asked = new Map(studentIds.map((id) => [id, new Set<string>()]));
  for (const { studentId, itemId } of picks) asked.get(studentId)?.add(itemId);
  // In the order in which the children were asked about.
  const inOrder = studentIds.flatMap((id) => records.filter(({ studentId }) => studentId === id));
  const courses = inOrder.flatMap(({ studentId, record }) => {
    const open = asked.get(studentId);
    const own = (record.items ?? []).map(({ id }) => id).filter((id) => open?.delete(id));
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
  if ([...asked.values()].some(({ size }) => size > 0)) throw new HttpProblem('not-found');
  return { courses };
}
