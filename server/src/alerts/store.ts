import type { Knex } from 'knex';
import type { AlertKind, AlertReason, AlertStateName, Silence } from '@cadro/contract';
import { byUrgency, canEnd, dayMs, type AlertState } from '@cadro/core';
import { inChunks, type Db, type Trx } from '../kit';
import { coursesMeant, isWhole, studentsIn, type PartOfRecord } from '../records';

/** An alert as it is kept, with how its guardian stands to it. */
export interface KeptAlert extends AlertState {
  readonly id: string;
  readonly guardianId: string;
  readonly state: AlertStateName;
}

interface Row {
  readonly guardian_id: string;
  readonly id: string;
  readonly key: string;
  readonly episode: number;
  readonly kind: AlertKind;
  readonly student_id: string | null;
  readonly course_id: string | null;
  readonly course_title: string | null;
  readonly raised_at: Date | null;
  readonly told_at: Date | null;
  readonly news_at: Date | null;
  readonly over_at: Date | null;
  readonly reasons: AlertReason[];
  readonly known: string[];
  readonly told: string[];
  readonly titled: AlertReason[];
  readonly state: AlertStateName;
}

const iso = (date: Date | null): string | null => date && date.toISOString();

const alertOf = (row: Row): KeptAlert => ({
  id: row.id,
  guardianId: row.guardian_id,
  key: row.key,
  episode: row.episode,
  kind: row.kind,
  studentId: row.student_id,
  courseId: row.course_id,
  courseTitle: row.course_title,
  raisedAt: iso(row.raised_at),
  toldAt: iso(row.told_at),
  newsAt: iso(row.news_at),
  overAt: iso(row.over_at),
  reasons: row.reasons,
  known: row.known,
  told: row.told,
  titled: row.titled,
  state: row.state,
});

/** The alerts about what is meant of children's records. */
function aboutParts(trx: Trx, query: Knex.QueryBuilder, parts: readonly PartOfRecord[]): void {
  const some = parts.filter((part) => !isWhole(part));
  const { sql, bindings } = coursesMeant(some);
  query.whereIn('student_id', studentsIn(parts)).where((is) =>
    is
      .whereIn('student_id', studentsIn(parts.filter(isWhole)))
      .orWhere((and) =>
        and
          .where({ kind: 'attendance' })
          .whereIn('student_id', studentsIn(some.filter(({ attendance }) => attendance))),
      )
      .orWhere(trx.raw(`(student_id, course_id) in (select student_id, course_id from ${sql})`, bindings)),
  );
}

/** The alerts of guardians about what is meant of children, the last episode of each; about no child where nothing is. */
export async function lastStates(
  trx: Trx,
  of: { readonly guardianIds: readonly string[]; readonly about: readonly PartOfRecord[] | null },
): Promise<KeptAlert[]> {
  const { about } = of;
  const rows = await trx('alerts')
    .whereIn('guardian_id', [...of.guardianIds])
    .modify((query) => {
      if (about) aboutParts(trx, query, about);
      else query.whereNull('student_id');
    })
    .distinctOn('guardian_id', 'key')
    .orderBy(['guardian_id', 'key', { column: 'episode', order: 'desc' }])
    .select<Row[]>('*');
  return rows.map(alertOf);
}

/**
 * Puts down alerts as they stand now. News opens one again that was read or done; one of which nothing holds any more is
 * done by itself, unless it tells of words or marks that came: those are read.
 */
export async function saveStates(
  trx: Trx,
  changed: readonly { readonly guardianId: string; readonly state: AlertState }[],
): Promise<void> {
  await inChunks(changed, async (some) => {
    await trx.raw(
      `insert into alerts (guardian_id, key, episode, kind, student_id, course_id, course_title,
         raised_at, told_at, news_at, over_at, reasons, known, told, titled)
       select "guardianId", key, episode, kind, "studentId", "courseId", "courseTitle",
         "raisedAt", "toldAt", "newsAt", "overAt", reasons, known, told, titled
       from jsonb_to_recordset(?::jsonb) as a("guardianId" uuid, key text, episode int, kind text,
         "studentId" uuid, "courseId" uuid, "courseTitle" text, "raisedAt" timestamptz, "toldAt" timestamptz,
         "newsAt" timestamptz, "overAt" timestamptz, reasons jsonb, known jsonb, told jsonb, titled jsonb)
       on conflict (guardian_id, key, episode) do update set
         course_title = excluded.course_title, raised_at = excluded.raised_at, told_at = excluded.told_at,
         state = case when excluded.news_at is distinct from alerts.news_at then 'open'
           when alerts.over_at is null and excluded.over_at is not null and excluded.key = any(?) then 'done'
           else alerts.state end,
         news_at = excluded.news_at, over_at = excluded.over_at,
         reasons = excluded.reasons, known = excluded.known, told = excluded.told, titled = excluded.titled`,
      [
        JSON.stringify(some.map(({ guardianId, state }) => ({ ...state, guardianId }))),
        some.flatMap(({ state }) => (canEnd(state) ? [state.key] : [])),
      ],
    );
  });
}

/** What has changed about a guardian's alerts: something came, or somebody put some of them down. */
type AlertsTold = 'news' | 'state';

/** Tells every server process that a guardian's alerts have changed, when the transaction is through. */
export async function notify(trx: Db | Trx, guardianIds: readonly string[], kind: AlertsTold): Promise<void> {
  if (guardianIds.length === 0) return;
  await trx.raw(`select pg_notify('cadro_alerts', ? || ':' || id) from unnest(?::text[]) as id`, [
    kind,
    [...guardianIds],
  ]);
}

export interface SilenceRow extends Silence {
  readonly id: string;
  readonly guardianId: string;
}

export const silencesOf = (db: Db | Trx, guardianIds: readonly string[]): Promise<SilenceRow[]> =>
  db('alert_silences')
    .whereIn('guardian_id', [...guardianIds])
    .orderBy('until')
    .select<SilenceRow[]>(
      'guardian_id as guardianId',
      'id',
      'alert_key as alertKey',
      'student_id as studentId',
      'course_id as courseId',
      'kind',
      'until',
    );

export async function addSilence(db: Db, guardianId: string, silence: Silence): Promise<string> {
  const [row] = await db('alert_silences')
    .insert({
      guardian_id: guardianId,
      alert_key: silence.alertKey,
      student_id: silence.studentId,
      course_id: silence.courseId,
      kind: silence.kind,
      until: silence.until,
    })
    .returning<{ id: string }[]>('id');
  if (!row) throw new Error('a silence could not be stored');
  return row.id;
}

export const removeSilence = async (db: Db, guardianId: string, id: string): Promise<boolean> =>
  (await db('alert_silences').where({ guardian_id: guardianId, id }).delete()) > 0;

/** An alert is kept in its list for this long after its last news. */
const listedDays = 180;

/** A guardian's alerts that have been raised, the newest first; about children whose link stands. */
export async function raisedAlerts(
  db: Db,
  guardianId: string,
  studentIds: readonly string[],
  now: Date,
  where: {
    readonly id?: string;
    readonly state?: AlertStateName;
    readonly kind?: AlertKind;
    readonly studentId?: string;
    /** Counts as open, though it has been read. */
    readonly beside?: string;
  } = {},
): Promise<KeptAlert[]> {
  const rows = await db('alerts')
    .where({ guardian_id: guardianId })
    .whereNotNull('raised_at')
    .where('news_at', '>', new Date(now.getTime() - listedDays * dayMs))
    .where((is) => is.whereNull('student_id').orWhereIn('student_id', [...studentIds]))
    .modify((query) => {
      if (where.id) query.where({ id: where.id });
      if (where.state) {
        const { state, beside } = where;
        query.where((is) => {
          is.where({ state });
          if (state === 'open' && beside) is.orWhere({ id: beside, state: 'read' });
        });
      }
      if (where.kind) query.where({ kind: where.kind });
      if (where.studentId) query.where({ student_id: where.studentId });
    })
    .orderByRaw('news_at desc, array_position(?::text[], kind::text), course_title collate "C", key', [
      [...byUrgency],
    ])
    .limit(500)
    .select<Row[]>('*');
  return rows.map(alertOf);
}

export async function countStates(
  db: Db,
  guardianId: string,
  studentIds: readonly string[],
): Promise<Record<AlertStateName, number>> {
  const rows = await db('alerts')
    .where({ guardian_id: guardianId })
    .whereNotNull('raised_at')
    .where((is) => is.whereNull('student_id').orWhereIn('student_id', [...studentIds]))
    .groupBy('state')
    .select<{ state: AlertStateName; count: number }[]>('state', db.raw('count(*)::int as count'));
  const count = (state: AlertStateName) => rows.find((row) => row.state === state)?.count ?? 0;
  return { open: count('open'), read: count('read'), done: count('done') };
}

/** @returns how many of the ids are the guardian's. */
export const setStates = (
  db: Db,
  guardianId: string,
  ids: readonly string[],
  state: AlertStateName,
): Promise<number> =>
  db('alerts')
    .where({ guardian_id: guardianId })
    .whereIn('id', [...ids])
    .whereNotNull('raised_at')
    .update({ state });

/** Some of guardians' alerts, by id. */
export async function alertsByIds(
  db: Db,
  of: readonly { readonly guardianId: string; readonly id: string }[],
): Promise<ReadonlyMap<string, KeptAlert>> {
  const { rows } = await db.raw<{ rows: Row[] }>(
    `select a.* from unnest(?::uuid[], ?::uuid[]) as k(guardian_id, id) join alerts a using (guardian_id, id)`,
    [of.map(({ guardianId }) => guardianId), of.map(({ id }) => id)],
  );
  return new Map(rows.map((row) => [row.id, alertOf(row)]));
}
