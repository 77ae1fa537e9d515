import type { AbsenceClaim, FollowUpStep, LooseEndKind, Repeats } from '@cadro/contract';
import type { Trx } from '../kit';
import type { Dissolved } from '../records';
import type { EntryRow, WorkInHand } from './store';

/* Open follow-ups, locked: a person may be writing while the record settles them. */

/** A household's open follow-ups about a work, locked. */
export const openAboutWork = (
  trx: Trx,
  { studentId, householdId, itemId }: { studentId: string; householdId: string; itemId: string },
): Promise<{ id: string; version: number; look_again_on: string | null }[]> =>
  trx('followups')
    .where({ student_id: studentId, household_id: householdId })
    .where((is) =>
      is.where({ item_id: itemId }).orWhereRaw('works @> ?::jsonb', [JSON.stringify([{ itemId }])]),
    )
    .whereNot({ step: 'settled' })
    .forUpdate()
    .select('id', 'version', 'look_again_on');

/** The version of a follow-up that is still open, locked: a person may be writing at the same time. */
export const lockOpen = (
  trx: Trx,
  key: { studentId: string; followUpId: string },
): Promise<{ version: number } | undefined> =>
  trx('followups')
    .where({ student_id: key.studentId, id: key.followUpId })
    .whereNot({ step: 'settled' })
    .forUpdate()
    .first<{ version: number } | undefined>('version');

/** What was followed up of a household's own work is about the school's, once the two are one. */
export async function moveToWork(
  trx: Trx,
  { householdId, studentId, ownId, itemId }: Dissolved,
): Promise<void> {
  await trx.raw(
    `update followups set
       item_id = case when item_id = :ownId::uuid then :itemId::uuid else item_id end,
       works = replace(works::text, :ownId, :itemId)::jsonb
     where student_id = :studentId and household_id = :householdId
       and (item_id = :ownId::uuid or works @> jsonb_build_array(jsonb_build_object('itemId', :ownId::text)))`,
    { householdId, studentId, ownId, itemId },
  );
}

export interface SettleRow {
  readonly student_id: string;
  readonly household_id: string;
  readonly id: string;
  readonly item_id: string | null;
  readonly works: readonly WorkInHand[];
  readonly course_id: string;
  readonly loose_end_kind: LooseEndKind | null;
  readonly version: number;
}

/** Open follow-ups about children's work, locked: a person may be writing at the same time. */
export const settleable = (trx: Trx, studentIds: readonly string[]): Promise<SettleRow[]> =>
  trx('followups')
    .whereIn('student_id', [...studentIds])
    .whereNot({ step: 'settled' })
    .whereNotNull('course_id')
    .whereRaw(`(item_id is not null and loose_end_kind is not null or works <> '[]')`)
    .orderBy('id')
    .forUpdate()
    .select<SettleRow[]>(
      ...['student_id', 'household_id', 'id', 'item_id', 'works', 'course_id', 'loose_end_kind', 'version'],
    );

export interface OpenAbsence {
  readonly student_id: string;
  readonly household_id: string;
  readonly id: string;
  readonly absence: AbsenceClaim;
  readonly version: number;
}

/** Open follow-ups about children's absences, locked: a person may be writing at the same time. */
export const openAbsences = (trx: Trx, studentIds: readonly string[]): Promise<OpenAbsence[]> =>
  trx('followups')
    .whereIn('student_id', [...studentIds])
    .whereNot({ step: 'settled' })
    .whereNotNull('absence')
    .orderBy('id')
    .forUpdate()
    .select<OpenAbsence[]>('student_id', 'household_id', 'id', 'absence', 'version');

export interface ByFactRow {
  readonly student_id: string;
  readonly household_id: string;
  readonly id: string;
  readonly course_id: string;
  readonly item_id: string | null;
  readonly look_again_when: 'graded' | null;
  readonly repeats: Repeats | null;
  readonly version: number;
}

/** Open follow-ups that come back by a fact, or end by one, locked. */
export const byFact = (trx: Trx, studentIds: readonly string[]): Promise<ByFactRow[]> =>
  trx('followups')
    .whereIn('student_id', [...studentIds])
    .whereNot({ step: 'settled' })
    .whereNotNull('course_id')
    .whereRaw(`(look_again_when is not null or repeats->>'untilAtLeast' is not null)`)
    .orderBy('id')
    .forUpdate()
    .select<ByFactRow[]>(
      ...[
        'student_id',
        'household_id',
        'id',
        'course_id',
        'item_id',
        'look_again_when',
        'repeats',
        'version',
      ],
    );

/**
 * Takes the last entry of a letter that says `text` out of a follow-up's story.
 * @returns where the follow-up stood before it; null where there is no such entry.
 */
export async function dropWritten(
  trx: Trx,
  { studentId, followUpId }: { studentId: string; followUpId: string },
  text: string,
): Promise<{ step: FollowUpStep; lookAgainOn: string | null } | null> {
  const entries = await trx('followup_entries')
    .where({ student_id: studentId, followup_id: followUpId })
    .orderBy('id')
    .select<EntryRow[]>('id', 'kind', 'at', 'author', 'step', 'look_again_on', 'text');
  const written = entries.findLast((entry) => entry.kind === 'written' && entry.text === text);
  if (!written) return null;
  await trx('followup_entries').where({ student_id: studentId, id: written.id }).delete();
  const rest = entries.filter((entry) => entry !== written);
  return {
    step: rest.findLast(({ step }) => step !== null)?.step ?? 'noticed',
    lookAgainOn: rest.findLast(({ look_again_on }) => look_again_on !== null)?.look_again_on ?? null,
  };
}
