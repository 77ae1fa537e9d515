import type { Db, Trx } from '../../kit';

/** Two records of one child: the one that is read, and the one that is read into it. */
export interface JoinedPlace {
  readonly householdId: string;
  readonly studentId: string;
  readonly otherId: string;
}

const guardiansOf = (db: Db | Trx, { householdId, studentId }: JoinedPlace) =>
  db('standing_links').where({ household_id: householdId, student_id: studentId }).select('guardian_id');

/** From now on whoever of a household sees one record of a child sees the other in it. */
export async function joinLinks(trx: Trx, place: JoinedPlace): Promise<void> {
  await trx('guardian_links')
    .where({ student_id: place.otherId })
    .whereNull('ended_at')
    .whereIn('guardian_id', guardiansOf(trx, place))
    .update({ joined_to: place.studentId });
}

/** Each record of a child stands by itself again. */
export async function partLinks(trx: Trx, { householdId, studentId, otherId }: JoinedPlace): Promise<void> {
  await trx('guardian_links')
    .where({ student_id: otherId, joined_to: studentId })
    .whereIn(
      'guardian_id',
      trx('guardian_profiles').where({ household_id: householdId }).select('guardian_id'),
    )
    .update({ joined_to: null });
}
