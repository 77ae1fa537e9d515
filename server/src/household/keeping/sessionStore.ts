import type { Db, Trx } from '../../kit';

/** A session as its owner sees it. Its own id stays with the browser: it is named by a digest. */
export interface SessionRow {
  readonly id: string;
  readonly device: string | null;
  readonly since: number;
  readonly kept: boolean;
  readonly expire: Date;
}

const digest = `encode(sha256(sid::bytea), 'hex')`;

export const sessionsOf = async (db: Db, guardianId: string): Promise<SessionRow[]> =>
  db('sessions')
    .where({ guardian_id: guardianId })
    .whereRaw('expire > now()')
    .orderBy('expire', 'desc')
    .select<SessionRow[]>(
      db.raw(`${digest} as id`),
      db.raw(`sess->>'device' as device`),
      db.raw(`(sess->>'since')::bigint as since`),
      db.raw(`coalesce((sess->>'kept')::boolean, false) as kept`),
      // The package keeps it without a zone, in the database's own.
      db.raw('expire::timestamptz as expire'),
    );

export const sessionId = async (db: Db, sid: string): Promise<string> =>
  (await db.raw<{ rows: { id: string }[] }>(`select encode(sha256(?::text::bytea), 'hex') as id`, [sid]))
    .rows[0]?.id ?? '';

/** @returns whether there was one. */
export const endSessionOf = async (db: Db, guardianId: string, id: string): Promise<boolean> =>
  (await db('sessions').where({ guardian_id: guardianId }).whereRaw(`${digest} = ?`, [id]).delete()) > 0;

/** Ends every session of a person, but for the one named. It is over with its next request. */
export async function endSessions(db: Db | Trx, guardianId: string, butFor?: string): Promise<void> {
  const all = db('sessions').where({ guardian_id: guardianId });
  await (butFor === undefined ? all : all.whereNot({ sid: butFor })).delete();
}
