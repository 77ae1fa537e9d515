import type { NewTry, Tries, Try } from '@cadro/contract';
import { targetOf } from '../gradebook';
import type { Db } from '../kit';

interface Place {
  readonly studentId: string;
  readonly courseId: string;
  readonly householdId: string;
}
interface Row {
  readonly id: string;
  readonly name: string;
  readonly scores: Try['scores'];
  readonly at: Date;
  readonly author: string;
}

const keyOf = ({ studentId, courseId, householdId }: Place) => ({
  student_id: studentId,
  household_id: householdId,
  course_id: courseId,
});

/** A household's target for a course and the tries it has kept. */
export async function triesOf(db: Db, place: Place): Promise<Tries> {
  const [target, rows] = await Promise.all([
    targetOf(db, place),
    db('tries')
      .where(keyOf(place))
      .orderBy('at', 'desc')
      .select<Row[]>('id', 'name', 'scores', 'at', 'author'),
  ]);
  return { target, tries: rows.map((row) => ({ ...row, at: row.at.toISOString() })) };
}

/** The same name is written over. */
export async function keepTry(
  db: Db,
  place: Place,
  { name, scores }: NewTry,
  by: { readonly at: Date; readonly author: string },
): Promise<void> {
  await db('tries')
    .insert({ ...keyOf(place), name, scores: JSON.stringify(scores), ...by })
    .onConflict(['student_id', 'household_id', 'course_id', 'name'])
    .merge(['scores', 'at', 'author']);
}

export const forgetTry = async (db: Db, place: Place, id: string): Promise<boolean> =>
  (await db('tries')
    .where({ ...keyOf(place), id })
    .delete()) > 0;
