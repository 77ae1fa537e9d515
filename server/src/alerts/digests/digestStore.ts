import type { DigestContent, DigestRhythm } from '@cadro/contract';
import { oneAtATime, type Db, type Trx } from '../../kit';
import { sendingKey } from '../delivery/outboxStore';

/** A rhythm in which digests are made. */
export type Rhythm = Exclude<DigestRhythm, 'none'>;

export interface NewDigest {
  readonly guardianId: string;
  readonly dueOn: string;
  readonly rhythm: Rhythm;
  readonly content: DigestContent;
}

/** While digests are made nobody else makes them; where that is given up they are looked for again. */
const lease = `interval '10 minutes'`;

interface Turn {
  readonly guardianId: string;
  /** What the turn says while its digest is made. */
  readonly leased: Date;
}

/** The next guardians whose digest may be due, and who are looked at by nobody else meanwhile. */
export async function takeTurns(db: Db, now: Date, most: number): Promise<Turn[]> {
  const { rows } = await db.raw<{ rows: { guardian_id: string; next_at: Date }[] }>(
    `update digest_turns set next_at = :now::timestamptz + ${lease} where guardian_id in (
       select guardian_id from digest_turns where next_at <= :now::timestamptz
       order by next_at limit :most for update skip locked)
     returning guardian_id, next_at`,
    { now, most },
  );
  return rows.map(({ guardian_id, next_at }) => ({ guardianId: guardian_id, leased: next_at }));
}

/**
 * Puts down when the digest of each is looked for next; not where somebody has wished for it meanwhile.
 * @param turns each with an instant, or null for never.
 */
export const putTurns = (
  db: Db,
  turns: readonly (Turn & { readonly next: Date | null })[],
): Promise<unknown> =>
  db.raw(
    `update digest_turns t set next_at = coalesce(w.next, 'infinity')
     from jsonb_to_recordset(?::jsonb) as w("guardianId" uuid, leased timestamptz, next timestamptz)
     where t.guardian_id = w."guardianId" and t.next_at = w.leased`,
    [JSON.stringify(turns)],
  );

/** The last day on which a digest was made for each guardian. */
export async function lastDigests(
  db: Db,
  guardianIds: readonly string[],
): Promise<ReadonlyMap<string, string>> {
  const rows = await db('digests')
    .whereIn('guardian_id', [...guardianIds])
    .groupBy('guardian_id')
    .select<{ guardian_id: string; last: string }[]>('guardian_id', db.raw('max(due_on) as last'));
  return new Map(rows.map((row) => [row.guardian_id, row.last]));
}

/** Lets go of digests that have been made for some people and not sent: they are made anew. */
export async function dropWaitingDigests(trx: Trx, guardianIds: readonly string[]): Promise<void> {
  const theirs = () =>
    trx('deliveries')
      .whereIn('guardian_id', [...guardianIds])
      .where({ about: 'digest', state: 'waiting' });
  // What goes out at this moment has gone out.
  await oneAtATime(trx, (await theirs().pluck<string[]>('id')).map(sendingKey));
  const waiting = await theirs().delete().returning<{ digest_id: string }[]>('digest_id');
  await trx('digests')
    .whereIn(
      'id',
      waiting.map(({ digest_id }) => digest_id),
    )
    .delete();
}

/** Keeps digests; one for a guardian and day, whoever asks and how often. @returns ids of the new ones by guardian. */
export async function keepDigests(
  trx: Trx,
  digests: readonly NewDigest[],
): Promise<ReadonlyMap<string, string>> {
  const rows = await trx('digests')
    .insert(
      digests.map(({ guardianId, dueOn, rhythm, content }) => ({
        ...{ guardian_id: guardianId, due_on: dueOn, rhythm },
        content: JSON.stringify(content),
      })),
    )
    .onConflict(['guardian_id', 'due_on'])
    .ignore()
    .returning<{ id: string; guardian_id: string }[]>(['id', 'guardian_id']);
  return new Map(rows.map(({ id, guardian_id }) => [guardian_id, id]));
}

interface KeptDigest {
  readonly id: string;
  readonly content: unknown;
  readonly rhythm: Rhythm;
}

/** Some of guardians' digests as they were made, by id; their content has still to be read by its schema. */
export async function digestsByIds(
  db: Db,
  of: readonly { readonly guardianId: string; readonly id: string }[],
): Promise<ReadonlyMap<string, KeptDigest>> {
  const { rows } = await db.raw<{ rows: KeptDigest[] }>(
    `select d.id, d.content, d.rhythm from unnest(?::uuid[], ?::uuid[]) as k(guardian_id, id)
       join digests d using (guardian_id, id)`,
    [of.map(({ guardianId }) => guardianId), of.map(({ id }) => id)],
  );
  return new Map(rows.map((row) => [row.id, row]));
}
