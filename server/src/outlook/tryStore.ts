import type { NewTry, Tries, Try } from '@cadro/contract';
import { sharesOf } from '../desk';
import { targetOf } from '../gradebook';
import type { Db } from '../kit';

interface Place {
  readonly studentId: string;
  readonly courseId: string;
  readonly householdId: string;
  /** Whether they are the child's own. */
  readonly byChild: boolean;
}
interface Row {
  readonly id: string;
  readonly name: string;
  readonly scores: Try['scores'];
  readonly at: Date;
  readonly author: string;
}

const keyOf = ({ studentId, courseId, householdId, byChild }: Place) => ({
  student_id: studentId,
  household_id: householdId,
  course_id: courseId,
  by_child: byChild,
});

/** One side's target for a course and the tries it has kept. */
async function aimsOf(db: Db, place: Place): Promise<Omit<Tries, 'childs'>> {
  const [target, rows] = await Promise.all([
    targetOf(db, place),
    db('tries')
      .where(keyOf(place))
      .orderBy('at', 'desc')
      .select<Row[]>('id', 'name', 'scores', 'at', 'author'),
  ]);
  return { target, tries: rows.map((row) => ({ ...row, at: row.at.toISOString() })) };
}

/** Of who asks, and to the family what the child shows it of its own. */
export async function triesOf(db: Db, place: Place): Promise<Tries> {
  const shown = !place.byChild && (await sharesOf(db, place)).aims;
  return {
    ...(await aimsOf(db, place)),
    childs: shown ? await aimsOf(db, { ...place, byChild: true }) : null,
  };
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
    .onConflict(['student_id', 'household_id', 'course_id', 'by_child', 'name'])
    .merge(['scores', 'at', 'author']);
}

export const forgetTry = async (db: Db, place: Place, id: string): Promise<boolean> =>
  (await db('tries')
    .where({ ...keyOf(place), id })
    .delete()) > 0;
