import type { Role, TrailKind } from '@cadro/contract';
import { createHash } from 'node:crypto';
import type { Db, Trx } from '../../kit';

export interface Deed {
  readonly at: Date;
  readonly kind: TrailKind;
  /** Who did it; null for the school. */
  readonly personId: string | null;
  readonly studentId?: string | null;
  readonly aboutId?: string | null;
  readonly params?: { readonly role?: Role; readonly on?: string; readonly to?: string };
}

const rowOf = ({ at, kind, personId, studentId = null, aboutId = null, params = {} }: Deed) => ({
  ...{ at, kind, person_id: personId, student_id: studentId, about_id: aboutId },
  params: JSON.stringify(params),
});

/** Puts deeds down, in the transaction that does them. */
export async function addToTrail(db: Db | Trx, ...deeds: readonly Deed[]): Promise<void> {
  if (deeds.length > 0) await db('trail').insert(deeds.map(rowOf));
}

/** Puts down that a person has opened some records on a day: once for each, however often it is. */
export async function recordsOpened(
  db: Db,
  personId: string,
  opened: readonly { readonly studentId: string; readonly on: string }[],
  at: Date,
): Promise<void> {
  if (opened.length === 0) return;
  const deeds = opened.map(({ studentId, on }) =>
    rowOf({ at, kind: 'record-opened', personId, studentId, params: { on } }),
  );
  await db('trail')
    .insert(deeds)
    .onConflict(db.raw(`(student_id, person_id, (params->>'on')) where kind = 'record-opened'`))
    .ignore();
}

export interface TrailRow {
  readonly at: Date;
  readonly kind: TrailKind;
  readonly person_id: string | null;
  readonly about_id: string | null;
  readonly by_name: string | null;
  readonly by_household: string | null;
  readonly by_shows: boolean | null;
  readonly about_name: string | null;
  readonly about_household: string | null;
  readonly about_shows: boolean | null;
  readonly params: NonNullable<Deed['params']>;
}

/** So many of the latest are shown to a family, and so many to the operator. */
const most = 200;
const mostRead = 2_000;

/** What has been done about a child, the latest first. */
export const trailOf = (db: Db, studentId: string): Promise<TrailRow[]> =>
  db('trail as t')
    .leftJoin('guardians as b', 'b.id', 't.person_id')
    .leftJoin('households as bh', 'bh.id', 'b.household_id')
    .leftJoin('guardians as a', 'a.id', 't.about_id')
    .leftJoin('households as ah', 'ah.id', 'a.household_id')
    .where({ 't.student_id': studentId })
    .orderBy('t.seq', 'desc')
    .limit(most)
    .select<TrailRow[]>(
      ...[
        't.at',
        't.kind',
        't.person_id',
        't.about_id',
        't.params',
        'b.name as by_name',
        'b.household_id as by_household',
      ],
      ...['bh.shows_itself as by_shows', 'a.name as about_name', 'a.household_id as about_household'],
      'ah.shows_itself as about_shows',
    );

export interface ReadTrailRow {
  readonly at: Date;
  readonly kind: TrailKind;
  readonly by: string | null;
  readonly child: string | null;
  readonly about: string | null;
  readonly role: Role | null;
}

/** The trail as the operator reads it, the latest first: by address, which is how people are known to a school. */
export const trailFor = (
  db: Db,
  { studentId, personId }: { studentId?: string | undefined; personId?: string | undefined },
): Promise<ReadTrailRow[]> =>
  db('trail as t')
    .leftJoin('guardians as b', 'b.id', 't.person_id')
    .leftJoin('guardians as a', 'a.id', 't.about_id')
    .leftJoin('student_profiles as s', 's.student_id', 't.student_id')
    .where((rows) => {
      if (studentId) rows.where('t.student_id', studentId);
      if (personId)
        rows.where((either) => either.where('t.person_id', personId).orWhere('t.about_id', personId));
    })
    .orderBy('t.seq', 'desc')
    .limit(mostRead)
    .select<ReadTrailRow[]>(
      ...['t.at', 't.kind', 'b.email as by', 's.given_name as child', 'a.email as about'],
      db.raw(`t.params->>'role' as role`),
    );

interface Sealing {
  readonly seq: number;
  readonly said: string;
  readonly sealed_no: number | null;
  readonly hash: string | null;
}

/** A row as it is sealed: every member in one order, so that the same row reads the same wherever it is read. */
const said = `json_build_array(seq, to_char(at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'), kind,
  person_id, student_id, about_id, params::jsonb)::text as said`;

const sealOf = (before: string, text: string): string =>
  createHash('sha256').update(`${before}\n${text}`).digest('hex');

const atOnce = 5_000;

/**
 * Seals what has come since the last time, each row by the digest of it and of the seal before. One process does it at
 * a time. @returns how many.
 */
export const sealTrail = (db: Db): Promise<number> =>
  db.transaction(async (trx) => {
    await trx.raw(`select pg_advisory_xact_lock(hashtext('cadro.trail'))`);
    const last = await trx('trail')
      .whereNotNull('sealed_no')
      .orderBy('sealed_no', 'desc')
      .first<Sealing | undefined>('sealed_no', 'hash');
    const rows = await trx('trail')
      .whereNull('sealed_no')
      .orderBy('seq')
      .limit(atOnce)
      .select<Sealing[]>('seq', trx.raw(said));
    let [no, hash] = [last?.sealed_no ?? 0, last?.hash ?? ''];
    const sealed = rows.map((row) => {
      no += 1;
      hash = sealOf(hash, row.said);
      return { seq: row.seq, no, hash };
    });
    if (sealed.length > 0)
      await trx.raw(
        `update trail t set sealed_no = s.no, hash = s.hash
           from json_to_recordset(?::json) as s(seq bigint, no bigint, hash text) where t.seq = s.seq`,
        [JSON.stringify(sealed)],
      );
    return sealed.length;
  });

export interface TrailCheck {
  readonly sealed: number;
  readonly waiting: number;
  /** The last seal: kept elsewhere, it shows later that nothing before it has gone. */
  readonly head: string;
  /** The first row whose seal does not fit, by its number; null when all do. */
  readonly brokenAt: number | null;
  /** Whether a head that was kept elsewhere stands in it; null when none was given. */
  readonly headKnown: boolean | null;
}

/** Reckons every seal anew, a few thousand rows at a time. */
export async function checkTrail(db: Db, keptHead: string | null): Promise<TrailCheck> {
  let [no, hash, headKnown] = [0, '', keptHead === null ? null : false];
  let brokenAt: number | null = null;
  for (;;) {
    const rows = await db('trail')
      .where('sealed_no', '>', no)
      .orderBy('sealed_no')
      .limit(atOnce)
      .select<Sealing[]>('seq', 'sealed_no', 'hash', db.raw(said));
    if (rows.length === 0) break;
    for (const row of rows) {
      const wanted = sealOf(hash, row.said);
      if (brokenAt === null && (row.sealed_no !== no + 1 || row.hash !== wanted)) brokenAt = row.sealed_no;
      no = row.sealed_no ?? no + 1;
      hash = row.hash ?? '';
      if (keptHead !== null && hash === keptHead) headKnown = true;
    }
  }
  const [{ count } = { count: 0 }] = await db('trail').whereNull('sealed_no').count<{ count: number }[]>();
  return { sealed: no, waiting: Number(count), head: hash, brokenAt, headKnown };
}
