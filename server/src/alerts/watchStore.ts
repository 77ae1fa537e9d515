import { AlertDelivery, KeptRules, rolesAllowed, type Language } from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import { presetRules, readRules, usualDelivery, type AlertRules } from '@cadro/core';
import type { Db, Trx } from '../kit';

/** A guardian with what they have set, or what holds for who has set nothing. */
export interface Settings {
  readonly guardianId: string;
  readonly householdId: string;
  readonly email: string;
  readonly name: string;
  readonly rules: AlertRules;
  readonly delivery: AlertDelivery;
  readonly mailStoppedAt: Date | null;
  readonly mailBouncedAt: Date | null;
  /** Whether the address has been shown to be theirs. */
  readonly confirmed: boolean;
  /** The number that was shown to be theirs; another gets nothing. */
  readonly phoneConfirmed: string | null;
  /** Whether they have a device that alerts are pushed to. */
  readonly pushed: boolean;
}

/** A child with who is told about it: those who may read what a household talks about, and not the child's own sign-in. */
export interface Watch {
  readonly settings: Settings;
  readonly studentId: string;
  readonly givenName: string;
  readonly timeZone: string;
  readonly sourceName: string;
  readonly linkedAt: Date;
  /** The last look; null before the first one. */
  readonly lookedAt: Date | null;
}

interface Row {
  readonly guardian_id: string;
  readonly household_id: string;
  readonly email: string;
  readonly name: string;
  readonly language: Language;
  readonly rules: unknown;
  readonly delivery: unknown;
  readonly mail_stopped_at: Date | null;
  readonly mail_bounced_at: Date | null;
  readonly confirmed: boolean;
  readonly phone_confirmed: string | null;
  readonly pushed: boolean;
  readonly student_id: string;
  readonly given_name: string;
  readonly time_zone: string;
  readonly source_name: string;
  readonly linked_at: Date;
  readonly at: Date | null;
}

const watchOf = (row: Row): Watch => ({
  settings: {
    guardianId: row.guardian_id,
    householdId: row.household_id,
    email: row.email,
    name: row.name,
    rules:
      row.rules === null
        ? presetRules('usual')
        : readRules(parse('stored alert rules', KeptRules, row.rules)),
    delivery:
      row.delivery === null
        ? usualDelivery(row.time_zone, row.language)
        : parse('stored delivery', AlertDelivery, row.delivery),
    mailStoppedAt: row.mail_stopped_at,
    mailBouncedAt: row.mail_bounced_at,
    confirmed: row.confirmed,
    phoneConfirmed: row.phone_confirmed,
    pushed: row.pushed,
  },
  studentId: row.student_id,
  givenName: row.given_name,
  timeZone: row.time_zone,
  sourceName: row.source_name,
  linkedAt: row.linked_at,
  lookedAt: row.at,
});

/**
 * Who is told about whom, by links that stand: one query. Children of a source that has not been read whole yet are
 * left out: nothing of its backlog is news.
 */
export async function watchesOf(
  db: Db | Trx,
  of: { readonly studentIds?: readonly string[]; readonly guardianIds?: readonly string[] },
): Promise<Watch[]> {
  const rows = await db('standing_links as l')
    .join('guardian_profiles as g', 'g.guardian_id', 'l.guardian_id')
    .join('student_profiles as s', 's.student_id', 'l.student_id')
    .join('source_states as src', 'src.source_id', 's.source_id')
    .leftJoin('alert_settings as set', 'set.guardian_id', 'l.guardian_id')
    .leftJoin('alert_looks as k', (on) =>
      on.on('k.student_id', 'l.student_id').andOn('k.guardian_id', 'l.guardian_id'),
    )
    .whereIn('l.role', rolesAllowed('read-talk'))
    .whereNotNull('src.complete_at')
    .modify((query) => {
      if (of.studentIds) query.whereIn('l.student_id', [...of.studentIds]);
      if (of.guardianIds) query.whereIn('l.guardian_id', [...of.guardianIds]);
    })
    .orderByRaw(`l.guardian_id, substring(s.year from '[0-9]{1,3}')::int desc nulls last, s.given_name`)
    .select<Row[]>(
      'l.guardian_id',
      'l.household_id',
      'g.email',
      'g.name',
      'g.language',
      'g.confirmed',
      'set.phone_confirmed',
      'set.rules',
      'set.delivery',
      'set.mail_stopped_at',
      'set.mail_bounced_at',
      'l.student_id',
      's.given_name',
      's.time_zone',
      'src.name as source_name',
      'l.linked_at',
      'k.at',
      db.raw('exists (select from push_devices p where p.guardian_id = l.guardian_id) as pushed'),
    );
  return rows.map(watchOf);
}

/** The settings of guardians with a child whose source has been read, by guardian. */
export async function settingsAmong(
  db: Db,
  guardianIds: readonly string[],
): Promise<ReadonlyMap<string, Settings>> {
  const byGuardian = new Map<string, Settings>();
  for (const { settings } of await watchesOf(db, { guardianIds: [...new Set(guardianIds)] }))
    if (!byGuardian.has(settings.guardianId)) byGuardian.set(settings.guardianId, settings);
  return byGuardian;
}

/**
 * The next guardians, in the order of their ids, about whom something may be to say: who has an alert about no child,
 * whose child's source is silent, or who has not looked, for as long as they ask to be told after. As the rules of
 * `upkeepSignals` ask, which are asked again of each.
 * @param after the id of the last one before; null at the beginning.
 */
export async function guardiansToLookAt(
  db: Db,
  { now, after, most }: { readonly now: Date; readonly after: string | null; readonly most: number },
): Promise<string[]> {
  const usual = presetRules('usual').rules;
  const since = (rule: 'not-looked' | 'source-silent', at: string) =>
    `coalesce((set.rules #>> '{rules,${rule},on}')::boolean, ${usual[rule].on})
     and ${at} <= :now::timestamptz
       - coalesce((set.rules #>> '{rules,${rule},days}')::float8, ${usual[rule].days}) * interval '24 hours'`;
  const { rows } = await db.raw<{ rows: { guardian_id: string }[] }>(
    `select distinct l.guardian_id
     from standing_links l
       join guardian_profiles g on g.guardian_id = l.guardian_id
       join student_profiles s on s.student_id = l.student_id
       join source_states src on src.source_id = s.source_id
       left join alert_settings set on set.guardian_id = l.guardian_id
     where l.role = any(:roles) and src.complete_at is not null
       and (:after::uuid is null or l.guardian_id > :after::uuid)
       and ((${since('not-looked', 'g.looked_at')})
         or (not src.by_hand and ${since('source-silent', 'src.read_at')})
         or exists (select from alerts a
              where a.guardian_id = l.guardian_id and a.student_id is null and a.over_at is null))
     order by 1 limit :most`,
    { now, after, most, roles: rolesAllowed('read-talk') },
  );
  return rows.map(({ guardian_id }) => guardian_id);
}

export interface GuardianSource {
  readonly guardian_id: string;
  readonly looked_at: Date | null;
  readonly source_id: string;
  readonly name: string;
  readonly read_at: Date;
}

/** The sources of each guardian's children, with when the guardian last looked. */
export const guardianSources = (db: Db, guardianIds: readonly string[]): Promise<GuardianSource[]> =>
  db('standing_links as l')
    .join('guardian_profiles as g', 'g.guardian_id', 'l.guardian_id')
    .join('student_profiles as s', 's.student_id', 'l.student_id')
    .join('source_states as src', 'src.source_id', 's.source_id')
    .whereIn('l.guardian_id', [...guardianIds])
    .whereNotNull('src.read_at')
    // What a family writes itself comes when it writes.
    .where({ 'src.by_hand': false })
    .distinct<GuardianSource[]>('l.guardian_id', 'g.looked_at', 'src.source_id', 'src.name', 'src.read_at');

export interface LinkedChild {
  readonly studentId: string;
  readonly givenName: string;
  readonly timeZone: string;
}

/** Of guardians and children those who may be told about whom, by links that stand. */
export async function toldChildren(
  db: Db,
  of: readonly { readonly guardianId: string; readonly studentId: string }[],
): Promise<(guardianId: string, studentId: string) => LinkedChild | undefined> {
  const { rows } = await db.raw<{ rows: (LinkedChild & { readonly guardianId: string })[] }>(
    `select l.guardian_id as "guardianId", l.student_id as "studentId", s.given_name as "givenName",
       s.time_zone as "timeZone"
     from (select distinct * from unnest(?::uuid[], ?::uuid[]) as k(guardian_id, student_id)) k
       join standing_links l using (guardian_id, student_id)
       join student_profiles s on s.student_id = l.student_id
     where l.role = any(?)`,
    [of.map(({ guardianId }) => guardianId), of.map(({ studentId }) => studentId), rolesAllowed('read-talk')],
  );
  const told = new Map(rows.map((row) => [`${row.guardianId}:${row.studentId}`, row]));
  return (guardianId, studentId) => told.get(`${guardianId}:${studentId}`);
}
