import type { Db } from '../db';

/** Whose answer it is, and which; made by this very program. */
export interface KeptKey {
  readonly guardianId: string;
  readonly name: string;
  readonly build: string;
}

export interface KeptRow {
  readonly made_at: Date;
  readonly etag: string;
  /** Null where whoever asks has it. */
  readonly body: string | null;
}

/** The answer that stands at an instant: none where anything of it has been touched since it was made. */
export async function standing(
  house: Db,
  { guardianId, name, build }: KeptKey,
  { now, has }: { readonly now: Date; readonly has: string },
): Promise<KeptRow | undefined> {
  const { rows } = await house.raw<{ rows: KeptRow[] }>(
    `select made_at, etag, case when etag = ? then null else body end as body from kept_answers
     where guardian_id = ? and name = ? and build = ? and made_at <= ? and until > ?
       and stamp = cadro_stamp(scopes)`,
    [has, guardianId, name, build, now, now],
  );
  return rows[0];
}

export interface Stamped {
  readonly scopes: readonly string[];
  readonly stamp: string;
}

/** All that an answer to a guardian may be made of, and how much of it has been touched by now. */
export async function stampFor(house: Db, guardianId: string): Promise<Stamped> {
  const { rows } = await house.raw<{ rows: Stamped[] }>(
    `select scopes, cadro_stamp(scopes) as stamp
     from (select coalesce(cadro_scopes(?), '{}') as scopes offset 0) of_it`,
    [guardianId],
  );
  const [stamped] = rows;
  if (!stamped) throw new Error('nobody to make an answer for');
  return stamped;
}

export interface MadeAnswer extends Stamped {
  readonly made_at: Date;
  readonly until: Date;
  readonly etag: string;
  readonly body: string;
}

export async function keep(house: Db, { guardianId, name, build }: KeptKey, made: MadeAnswer): Promise<void> {
  await house('kept_answers')
    .insert({ guardian_id: guardianId, name, build, ...made, at: house.fn.now() })
    .onConflict(['guardian_id', 'name'])
    .merge();
}

/** What was touched an hour ago is forgotten with every answer of that time, whether it still stands or not. */
export async function forgetKept(db: Db): Promise<void> {
  const before = db.raw(`now() - interval '1 hour'`);
  await db('kept_answers').where('at', '<', before).delete();
  await db('touches').where('at', '<', before).delete();
}
