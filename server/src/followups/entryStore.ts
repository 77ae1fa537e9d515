import type { FollowUpEntry, FollowUpStep } from '@cadro/contract';
import type { Db, Trx } from '../kit';

/* What happened to follow-ups, in the order in which it did. */

export interface EntryRow {
  readonly id: number;
  readonly kind: FollowUpEntry['kind'];
  readonly at: Date;
  readonly author: string | null;
  readonly step: FollowUpStep | null;
  readonly look_again_on: string | null;
  readonly text: string | null;
  readonly told_to: string | null;
}

export const entriesOf = (
  db: Db,
  { student_id, id }: { readonly student_id: string; readonly id: string },
): Promise<EntryRow[]> =>
  db('followup_entries')
    .where({ student_id })
    .where((is) =>
      is
        .where({ followup_id: id })
        .orWhereIn('followup_id', db('followups').where({ student_id, merged_into: id }).select('id')),
    )
    .orderBy('id')
    .select<EntryRow[]>('id', 'kind', 'at', 'author', 'step', 'look_again_on', 'text', 'told_to');

export interface NewEntry {
  readonly kind: FollowUpEntry['kind'];
  readonly author: string | null;
  readonly step?: FollowUpStep;
  readonly lookAgainOn?: string | null;
  readonly text?: string;
  readonly to?: string;
}

export async function addEntries(
  trx: Trx,
  key: { studentId: string; followUpId: string },
  at: Date,
  entries: readonly NewEntry[],
): Promise<void> {
  if (entries.length === 0) return;
  await trx('followup_entries').insert(
    entries.map(({ kind, author, step, lookAgainOn, text, to }) => ({
      student_id: key.studentId,
      followup_id: key.followUpId,
      kind,
      at,
      author,
      step: step ?? null,
      look_again_on: lookAgainOn ?? null,
      text: text ?? null,
      told_to: to ?? null,
    })),
  );
}
