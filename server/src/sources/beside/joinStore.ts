import type { JoinedPlace } from '../../household';
import type { Db, Trx } from '../../kit';

interface JoinedRow {
  readonly otherId: string;
  readonly joinedAt: Date;
  readonly endedAt: Date | null;
}
export interface JoinedCourseRow {
  readonly otherCourseId: string;
  readonly courseId: string | null;
}

const key = ({ studentId, householdId, otherId }: JoinedPlace) => ({
  student_id: studentId,
  household_id: householdId,
  other_id: otherId,
});

/** The other records that a household reads into a child's. */
export const joinedOf = (
  db: Db,
  { studentId, householdId }: Omit<JoinedPlace, 'otherId'>,
): Promise<JoinedRow[]> =>
  db('joined_children')
    .where({ student_id: studentId, household_id: householdId })
    .orderBy(['joined_at', 'other_id'])
    .select<JoinedRow[]>('other_id as otherId', 'joined_at as joinedAt', 'ended_at as endedAt');

/** Into which records a child's is read now. */
export const readInto = (db: Db | Trx, otherIds: readonly string[]): Promise<JoinedPlace[]> =>
  db('joined_children')
    .whereRaw('other_id = any(?)', [[...otherIds]])
    .whereNull('ended_at')
    .select<JoinedPlace[]>('student_id as studentId', 'household_id as householdId', 'other_id as otherId');

export async function putJoined(trx: Trx, place: JoinedPlace, now: Date): Promise<void> {
  await trx('joined_children')
    .insert({ ...key(place), joined_at: now })
    .onConflict(['student_id', 'household_id', 'other_id'])
    .merge({ ended_at: null });
}

export async function endJoined(trx: Trx, place: JoinedPlace, now: Date): Promise<void> {
  await trx('joined_children').where(key(place)).whereNull('ended_at').update({ ended_at: now });
}

export async function dropJoined(trx: Trx, place: JoinedPlace): Promise<void> {
  await trx('joined_children').where(key(place)).delete();
}

/** Which of the other record's courses is which of the child's. */
export const joinedCourses = (
  db: Db | Trx,
  { studentId, householdId }: Omit<JoinedPlace, 'otherId'>,
): Promise<JoinedCourseRow[]> =>
  db('joined_courses')
    .where({ student_id: studentId, household_id: householdId })
    .select<JoinedCourseRow[]>('other_course_id as otherCourseId', 'course_id as courseId');

export async function putJoinedCourses(
  trx: Trx,
  { studentId, householdId }: Omit<JoinedPlace, 'otherId'>,
  courses: readonly JoinedCourseRow[],
): Promise<void> {
  const rows = courses.map(({ otherCourseId, courseId }) => ({
    ...{ student_id: studentId, household_id: householdId },
    ...{ other_course_id: otherCourseId, course_id: courseId },
  }));
  if (rows.length === 0) return;
  await trx('joined_courses')
    .insert(rows)
    .onConflict(['student_id', 'household_id', 'other_course_id'])
    .merge();
}

export async function dropJoinedCourses(
  trx: Trx,
  { studentId, householdId }: Omit<JoinedPlace, 'otherId'>,
  otherCourseIds: readonly string[],
): Promise<void> {
  await trx('joined_courses')
    .where({ student_id: studentId, household_id: householdId })
    .whereIn('other_course_id', [...otherCourseIds])
    .delete();
}
