import { assumedPolicy } from '@cadro/core';
import { instantAt } from '@cadro/core/ical';
import type { Trx } from '../../kit';
import { ofThisYear } from '../termStore';

/** The last day of the sessions a class is in, or of the one it names. */
const lastDay = `(select max(t.ends_on) from terms t where t.id = c.term_id
  or (t.source_id = c.source_id and jsonb_exists(c.term_ids, t.external_id)))`;

/**
 * What follows for enrolments from what is told of them and of their classes: one has ended when the source takes it,
 * its class or its child back, or when its last day is over before the class's is.
 * @param which the source's own ids of the classes, enrolments or children that were written.
 * @returns the children for whom a class has ended or come back.
 */
export async function settleClasses(
  trx: Trx,
  sourceId: string,
  now: Date,
  which: { readonly of: 'courses' | 'enrolments' | 'students'; readonly ids: readonly string[] },
): Promise<string[]> {
  const column = { courses: 'c', enrolments: 'e', students: 's' }[which.of];
  const { rows } = await trx.raw<{ rows: { student_id: string }[] }>(
    `update enrolments as e set active = settled.active from (
       select e.student_id, e.course_id, e.told_active and not c.removed and not s.gone
         and not coalesce(e.ends_on < (:now at time zone sch.time_zone)::date and e.ends_on < ${lastDay}, false) as active
       from enrolments e join students s on s.id = e.student_id
       join courses c on c.id = e.course_id join schools sch on sch.id = c.school_id
       where ${column}.source_id = :sourceId and ${column}.external_id = any(:ids)
     ) settled
     where e.student_id = settled.student_id and e.course_id = settled.course_id
       and e.active is distinct from settled.active
     returning e.student_id`,
    { sourceId, now, ids: [...which.ids] },
  );
  return [...new Set(rows.map(({ student_id }) => student_id))];
}

interface UntoldRow {
  readonly id: string;
  readonly time_zone: string;
  readonly ends_on: string;
  readonly weights: readonly number[] | null;
}

/** The last second of a day where a school is. */
const endOf = (on: string, timeZone: string): string =>
  new Date(instantAt(timeZone, { on, time: '23:59' }) + 59_000).toISOString();

/**
 * Gives the courses of this year whose source does not tell how they are graded the policy that is assumed of them.
 * @returns the children in courses whose policy has changed by it.
 */
export async function assumePolicies(trx: Trx, sourceId: string, now: Date): Promise<string[]> {
  const { rows } = await trx.raw<{ rows: UntoldRow[] }>(
    `select c.id, c.time_zone, c.ends_on, array_agg(k.weight) filter (where k.id is not null) as weights
     from (select c.*, sch.time_zone, ${lastDay}::text as ends_on
       from courses c join schools sch on sch.id = c.school_id
       where c.source_id = :sourceId and not c.policy_told and not c.removed) c
     left join lateral (
       select distinct k.id, k.weight from items i join categories k on k.id = i.category_id
       where i.course_id = c.id and not i.removed
     ) k on true
     where ${ofThisYear('c')}
     group by c.id, c.time_zone, c.ends_on`,
    { sourceId, now },
  );
  if (rows.length === 0) return [];
  const assumed = rows.map(({ id, time_zone, ends_on, weights }) => ({
    id,
    policy: assumedPolicy({ weights: weights ?? [], termEnd: endOf(ends_on, time_zone) }),
  }));
  const { rows: children } = await trx.raw<{ rows: { student_id: string }[] }>(
    `with changed as (
       update courses c set policy = a.policy from jsonb_to_recordset(:assumed::jsonb) as a(id uuid, policy jsonb)
       where c.id = a.id and c.policy is distinct from a.policy returning c.id
     )
     select distinct e.student_id from changed join enrolments e on e.course_id = changed.id where e.active`,
    { assumed: JSON.stringify(assumed) },
  );
  return children.map(({ student_id }) => student_id);
}
