import type { Trx } from '../kit';
import type { Dissolved } from './laying';

/** Rows that a household keeps about works. */
interface Kept {
  readonly table: string;
  /** What beside child, household and work tells two of them apart. */
  readonly also?: readonly string[];
}

/** What a household keeps about its own work is about the school's, once the two are one; what that has already stays. */
export async function moveAbout(
  trx: Trx,
  { table, also = [] }: Kept,
  { householdId, studentId, ownId, itemId }: Dissolved,
): Promise<void> {
  const taken = trx(`${table} as o`)
    .whereRaw('o.student_id = t.student_id and o.household_id = t.household_id')
    .where({ 'o.item_id': itemId })
    .modify((query) => {
      for (const column of also) query.whereRaw('o.?? = t.??', [column, column]);
    });
  await trx(`${table} as t`)
    .where({ 't.student_id': studentId, 't.household_id': householdId, 't.item_id': ownId })
    .whereNotExists(taken)
    .update({ item_id: itemId });
}
