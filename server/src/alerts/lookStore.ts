import { rolesAllowed } from '@cadro/contract';
import { byCodePoint, type Next } from '@cadro/core';
import type { Db, Trx } from '../kit';
import { aCourseOf, coursesMeant, isMeant, type PartOfRecord } from '../records';

/** Puts down that children have been looked at as a whole, for whom. */
export async function saveLooks(
  trx: Trx,
  looks: readonly { readonly studentId: string; readonly guardianId: string }[],
  at: Date,
): Promise<void> {
  if (looks.length === 0) return;
  await trx.raw(
    `insert into alert_looks (student_id, guardian_id, at)
       select "studentId", "guardianId", :at from jsonb_to_recordset(:looks::jsonb) as k("studentId" uuid, "guardianId" uuid)
     on conflict (student_id, guardian_id) do update set at = excluded.at`,
    { looks: JSON.stringify(looks), at },
  );
}

/** The children of some sources of whom somebody who is told about them has had no look on this day of the school's. */
export const studentsNotLookedAtToday = (
  db: Db | Trx,
  sourceIds: readonly string[],
  now: Date,
): Promise<string[]> =>
  db('alert_looks as k')
    .join('student_profiles as s', 's.student_id', 'k.student_id')
    .join('standing_links as l', (on) =>
      on.on('l.student_id', 'k.student_id').andOn('l.guardian_id', 'k.guardian_id'),
    )
    .whereIn('s.source_id', [...sourceIds])
    .whereRaw(`k.at < date_trunc('day', ?::timestamptz, s.time_zone)`, [now])
    .whereIn('l.role', rolesAllowed('read-talk'))
    .groupBy('k.student_id')
    // Children of one class are looked at together.
    .orderByRaw(`${aCourseOf('k.student_id')}, k.student_id`)
    .pluck('k.student_id');

export interface NextOf extends Next {
  readonly studentId: string;
}

/** Puts down when something is next to be said of what has been looked at. */
export async function saveNext(trx: Trx, next: readonly NextOf[]): Promise<void> {
  if (next.length === 0) return;
  await trx.raw(
    `insert into looks_due (student_id, course_id, at)
     select "studentId", "courseId", at from jsonb_to_recordset(?::jsonb)
       as n("studentId" uuid, "courseId" uuid, at timestamptz)`,
    [JSON.stringify(next.map(({ atMs, ...of }) => ({ ...of, at: new Date(atMs).toISOString() })))],
  );
}

/** Forgets when something was next to be said of what is looked at now. */
export async function forgetNext(trx: Trx, parts: readonly PartOfRecord[]): Promise<void> {
  const { sql, bindings } = coursesMeant(parts);
  await trx.raw(`delete from looks_due d using ${sql} where ${isMeant('d')}`, bindings);
}

/** Takes what of some sources' children something is to be said of by now. */
export async function takeDueLooks(
  trx: Trx,
  sourceIds: readonly string[],
  now: Date,
): Promise<PartOfRecord[]> {
  const { rows } = await trx.raw<{ rows: { student_id: string; course_id: string | null }[] }>(
    `delete from looks_due d using student_profiles s
     where d.at <= :now and s.student_id = d.student_id and s.source_id = any(:sourceIds)
     returning d.student_id, d.course_id`,
    { now, sourceIds: [...sourceIds] },
  );
  return rows
    .sort((a, b) => byCodePoint(a.course_id ?? '', b.course_id ?? ''))
    .map(({ student_id: studentId, course_id: course }) => ({
      ...{ studentId, courses: course === null ? null : [course], attendance: false },
    }));
}
