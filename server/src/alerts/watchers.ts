import { AlertDelivery, AlertRules, rolesAllowed, type Language } from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import { presetRules, usualDelivery } from '@cadro/core';
import type { Db, Trx } from '../db';

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
    rules: row.rules === null ? presetRules('usual') : parse('stored alert rules', AlertRules, row.rules),
    delivery:
      row.delivery === null
        ? usualDelivery(row.time_zone, row.language)
        : parse('stored delivery', AlertDelivery, row.delivery),
    mailStoppedAt: row.mail_stopped_at,
    mailBouncedAt: row.mail_bounced_at,
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
  const rows = await db('guardian_links as l')
    .join('guardians as g', 'g.id', 'l.guardian_id')
    .join('students as s', 's.id', 'l.student_id')
    .join('schools as sch', 'sch.id', 's.school_id')
    .join('sources as src', 'src.id', 's.source_id')
    .leftJoin('alert_settings as set', 'set.guardian_id', 'g.id')
    .leftJoin('alert_looks as k', (on) =>
      on.on('k.student_id', 'l.student_id').andOn('k.guardian_id', 'l.guardian_id'),
    )
    .whereNull('l.ended_at')
    .whereIn('l.role', rolesAllowed('read-talk'))
    .whereNotNull('src.complete_at')
    .modify((query) => {
      if (of.studentIds) query.whereIn('l.student_id', [...of.studentIds]);
      if (of.guardianIds) query.whereIn('l.guardian_id', [...of.guardianIds]);
    })
    .orderByRaw(`l.guardian_id, substring(s.year from '[0-9]+')::int desc nulls last, s.given_name`)
    .select<Row[]>(
      'l.guardian_id',
      'g.household_id',
      'g.email',
      'g.name',
      'g.language',
      'set.rules',
      'set.delivery',
      'set.mail_stopped_at',
      'set.mail_bounced_at',
      'l.student_id',
      's.given_name',
      'sch.time_zone',
      'src.name as source_name',
      'l.linked_at',
      'k.at',
    );
  return rows.map(watchOf);
}
