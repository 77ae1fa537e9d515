import { PolicyCorrection, type CorrectionEntry } from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import type { Db, Trx } from '../db';
import { enqueueFigures } from '../jobs/queue';

interface Row {
  readonly household_id: string;
  readonly course_id: string;
  readonly at: Date;
  readonly author: string;
  readonly correction: unknown;
}

/** A stored correction; null where the course stands as the source says. */
export const correctionOf = (stored: unknown): PolicyCorrection | null =>
  stored === null ? null : parse('stored correction', PolicyCorrection, stored);

/** What households assume of a child's courses now; courses that stand as the source says are not in it. */
export async function standingCorrections(
  db: Db,
  studentId: string,
): Promise<{ householdId: string; courseId: string; correction: PolicyCorrection }[]> {
  const rows = await db('policy_corrections')
    .where({ student_id: studentId })
    .distinctOn('course_id', 'household_id')
    .orderBy([{ column: 'course_id' }, { column: 'household_id' }, { column: 'id', order: 'desc' }])
    .select<Row[]>('household_id', 'course_id', 'correction');
  return rows.flatMap(({ household_id, course_id, correction: stored }) => {
    const correction = correctionOf(stored);
    return correction ? [{ householdId: household_id, courseId: course_id, correction }] : [];
  });
}

/** What one household assumes of a child's courses, by course; null for those that stand as the source says. */
export async function correctionsOfHousehold(
  db: Db,
  studentId: string,
  householdId: string,
): Promise<(courseId: string) => PolicyCorrection | null> {
  const own = (await standingCorrections(db, studentId)).filter((each) => each.householdId === householdId);
  const byCourse = new Map(own.map(({ courseId, correction }) => [courseId, correction]));
  return (courseId) => byCourse.get(courseId) ?? null;
}

interface Place {
  readonly householdId: string;
  readonly studentId: string;
  readonly courseId: string;
}

/** Every change a household has made to a course's policy, newest first. */
export async function correctionHistory(
  db: Db,
  { householdId, studentId, courseId }: Place,
): Promise<CorrectionEntry[]> {
  const rows = await db('policy_corrections')
    .where({ student_id: studentId, course_id: courseId, household_id: householdId })
    .orderBy('id', 'desc')
    .select<Row[]>('at', 'author', 'correction');
  return rows.map(({ at, author, correction }) => ({
    at: at.toISOString(),
    author,
    correction: correctionOf(correction),
  }));
}

/** Keeps a correction, and the wish for figures by it, both or neither. */
export async function addCorrection(
  trx: Trx,
  { householdId, studentId, courseId }: Place,
  entry: { at: Date; author: string; correction: PolicyCorrection | null },
): Promise<void> {
  await trx('policy_corrections').insert({
    student_id: studentId,
    course_id: courseId,
    household_id: householdId,
    at: entry.at,
    author: entry.author,
    correction: entry.correction && JSON.stringify(entry.correction),
  });
  await enqueueFigures(trx, [studentId]);
}
