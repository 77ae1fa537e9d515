import type { CourseAnswer, CourseFigures, EndedTerm, LooseEndFigure, LooseEndKind } from '@cadro/contract';
import { byCodePoint } from '@cadro/core';
import { oneAtATime, type Db, type Trx } from '../../kit';
import { aCourseOf, coursesMeant, isMeant, isWhole, studentsIn, type PartOfRecord } from '../../records';

/** The figures of a course with what moved them lately. */
export interface KeptFigures {
  readonly studentId: string;
  readonly courseId: string;
  readonly figures: CourseFigures;
  readonly moved: CourseAnswer['moved'];
  /** The term it is of. */
  readonly standing: TermDates;
  /** The term before, where this one has no figure yet. */
  readonly ended: EndedFigures | null;
}

/** A term by its source's name, with its last day. */
export interface TermDates {
  readonly part: string;
  readonly title: string;
  readonly endsOn: string;
}
/** What a term that is over came to by our count. */
export interface EndedFigures extends TermDates, Pick<CourseFigures, 'posted' | 'display' | 'letter'> {
  /** What was left and can no longer be mended. */
  readonly closed: readonly LooseEndFigure[];
  /** What the school has made of what was left; missing in what was kept before. */
  readonly decided?: EndedTerm['decided'];
}

/** Figures as a household reads the course, where that is not as its source says. */
export interface AssumedFigures extends KeptFigures {
  readonly householdId: string;
}

/** Puts current figures of what is meant in the place of those of before: a few statements, however many children. */
export async function storeFigures(
  trx: Trx,
  parts: readonly PartOfRecord[],
  asOf: Date,
  { published, assumed }: { published: readonly KeptFigures[]; assumed: readonly AssumedFigures[] },
): Promise<void> {
  // Two runs for one child at once would meet here: the later one waits, and both write the same.
  await oneAtATime(
    trx,
    studentsIn(parts).map((id) => `figures:${id}`),
  );
  const { sql, bindings } = coursesMeant(parts);
  for (const table of ['current_figures', 'assumed_figures'])
    await trx.raw(`delete from ${table} f using ${sql} where ${isMeant('f')}`, bindings);
  const row = `"studentId" uuid, "courseId" uuid, figures jsonb, moved jsonb, standing jsonb, ended jsonb`;
  if (published.length > 0) {
    await trx.raw(
      `insert into current_figures (student_id, course_id, as_of, figures, moved, standing, ended)
       select "studentId", "courseId", ?, figures, moved, standing, ended from jsonb_to_recordset(?::jsonb) as f(${row})`,
      [asOf, JSON.stringify(published)],
    );
  }
  if (assumed.length > 0) {
    await trx.raw(
      `insert into assumed_figures (student_id, course_id, household_id, as_of, figures, moved, standing, ended)
       select "studentId", "courseId", "householdId", ?, figures, moved, standing, ended
       from jsonb_to_recordset(?::jsonb) as f(${row}, "householdId" uuid)`,
      [asOf, JSON.stringify(assumed)],
    );
  }
}

/**
 * Wishes for figures of children's records, or parts of them; what is wished of one child lies in one wish.
 * @param heldUntil whose records are being read are computed when all of them are in, or at this instant at the latest.
 */
export async function wantFigures(
  trx: Db | Trx,
  parts: readonly PartOfRecord[],
  since: Date,
  heldUntil: Date | null = null,
): Promise<void> {
  if (parts.length === 0) return;
  await trx.raw(
    `insert into figures_wanted as w (student_id, courses, attendance, near, since, held_until)
       select p."studentId", p.courses, p.attendance, coalesce(p.courses[1], ${aCourseOf('p."studentId"')}), :since, :heldUntil::timestamptz
       from jsonb_to_recordset(:parts::jsonb) as p("studentId" uuid, courses uuid[], attendance boolean)
       order by p."studentId"
     on conflict (student_id) do update set
       courses = case when w.courses is not null and excluded.courses is not null then array(
         select distinct unnest(w.courses || excluded.courses)) end,
       attendance = w.attendance or excluded.attendance,
       held_until = coalesce(w.held_until, excluded.held_until)
     where w.courses is not null and not coalesce(w.courses @> excluded.courses, false)
       or excluded.attendance and not w.attendance
       or w.held_until is null and excluded.held_until is not null`,
    { since, heldUntil, parts: JSON.stringify(parts) },
  );
}

/** All of a source has been read. */
export async function releaseWanted(db: Db, sourceId: string): Promise<void> {
  await db('figures_wanted')
    .whereNotNull('held_until')
    .whereIn('student_id', db('student_profiles').where({ source_id: sourceId }).select('student_id'))
    .update({ held_until: null });
}

/** The students of some sources who wait for all of their figures. */
export const studentsWaiting = (db: Db, sourceIds: readonly string[]): Promise<string[]> =>
  db('figures_wanted as w')
    .join('student_profiles as s', 's.student_id', 'w.student_id')
    .whereIn('s.source_id', [...sourceIds])
    .whereNull('w.courses')
    .pluck('w.student_id');

/** Of some children those of whose records not all has been read. */
export const heldAmong = (db: Db, studentIds: readonly string[], now: Date): Promise<string[]> =>
  db('figures_wanted')
    .whereIn('student_id', [...studentIds])
    .where('held_until', '>', now)
    .pluck('student_id');

/**
 * Takes some of the wishes, oldest first and those of one class together, for as long as the transaction lasts: nobody
 * else takes them meanwhile.
 * @param of.whole those of whole records, or those of parts.
 */
export async function takeWanted(
  trx: Trx,
  of: { readonly whole: boolean; readonly most: number; readonly now: Date },
): Promise<PartOfRecord[]> {
  const { rows } = await trx.raw<{ rows: (PartOfRecord & { readonly near: string | null })[] }>(
    `delete from figures_wanted where student_id in (
       select student_id from figures_wanted
       where (held_until is null or held_until <= :now) and (courses is null) = :whole
       order by since, near, student_id limit :most for update skip locked)
     returning student_id as "studentId", courses, attendance, near`,
    { ...of },
  );
  return rows
    .sort((a, b) => byCodePoint(a.near ?? '', b.near ?? '') || byCodePoint(a.studentId, b.studentId))
    .map(({ studentId, courses, attendance }) => ({ studentId, courses, attendance }));
}

/**
 * What of some sources' figures does not stand any more, or has not been computed yet. Figures of a later instant than now,
 * from before the clock was set back, do not stand either.
 */
export const partsThatFell = (db: Db, sourceIds: readonly string[], now: Date): Promise<PartOfRecord[]> =>
  db('student_profiles as s')
    .leftJoin('figures_stand as f', 'f.student_id', 's.student_id')
    .whereIn('s.source_id', [...sourceIds])
    .where((is) => is.whereNull('f.until').orWhere('f.until', '<=', now).orWhere('f.as_of', '>', now))
    .select<PartOfRecord[]>(
      's.student_id as studentId',
      db.raw(
        `case when f.as_of <= :now and f.untils <> '{}' then array(
           select key::uuid from jsonb_each_text(f.untils) where value::timestamptz <= :now order by 1) end as courses`,
        { now },
      ),
      db.raw('f.until is null as attendance'),
    );

/** Up to when figures stand by themselves, in milliseconds since 1970, by child and course. */
type Stands = ReadonlyMap<string, ReadonlyMap<string, number>>;

/**
 * Puts down up to when figures of what is meant stand by themselves.
 * @param at.atMost up to when a child's figures stand where none of its courses says it.
 */
export async function putStands(
  trx: Trx,
  parts: readonly PartOfRecord[],
  stands: Stands,
  at: { readonly asOf: Date; readonly atMost: Date },
): Promise<void> {
  const rowsOf = (some: readonly PartOfRecord[]) =>
    JSON.stringify(
      some.map(({ studentId }) => ({
        id: studentId,
        untils: Object.fromEntries(
          [...(stands.get(studentId) ?? [])].map(([courseId, ms]) => [courseId, new Date(ms).toISOString()]),
        ),
      })),
    );
  const first = (untils: string) =>
    `coalesce((select min(value::timestamptz) from jsonb_each_text(${untils})), :atMost)`;
  const row = 'jsonb_to_recordset(:rows::jsonb) as s(id uuid, untils jsonb)';
  const whole = parts.filter(isWhole);
  if (whole.length > 0)
    await trx.raw(
      `insert into figures_stand (student_id, as_of, until, untils)
         select id, :asOf, ${first('untils')}, untils from ${row}
       on conflict (student_id) do update
         set as_of = excluded.as_of, until = excluded.until, untils = excluded.untils`,
      { ...at, rows: rowsOf(whole) },
    );
  const some = parts.filter((part) => !isWhole(part));
  if (some.length > 0)
    await trx.raw(
      `update figures_stand f set as_of = greatest(f.as_of, :asOf), untils = f.untils || s.untils,
         until = ${first('f.untils || s.untils')}
       from ${row} where f.student_id = s.id`,
      { ...at, rows: rowsOf(some) },
    );
}

interface FiguresRow extends Omit<KeptFigures, 'standing' | 'ended'> {
  readonly householdId: string | null;
  readonly asOf: Date;
  /** Up to when they stand by themselves; null where that is not known. */
  readonly until: Date | null;
}

/** Current figures of what is meant, those of households that read a course in their own way beside them. */
export async function keptFigures(db: Db | Trx, parts: readonly PartOfRecord[]): Promise<FiguresRow[]> {
  const { sql, bindings } = coursesMeant(parts);
  const { rows } = await db.raw<{ rows: FiguresRow[] }>(
    `select f.student_id as "studentId", f.course_id as "courseId", f.household_id as "householdId", f.as_of as "asOf",
       f.figures, f.moved, (s.untils ->> f.course_id::text)::timestamptz as until
     from ${sql} join (
       select student_id, course_id, null::uuid as household_id, as_of, figures, moved from current_figures
       union all
       select student_id, course_id, household_id, as_of, figures, moved from assumed_figures
     ) f on ${isMeant('f')} left join figures_stand s on s.student_id = f.student_id`,
    bindings,
  );
  return rows;
}

export interface KnownLooseEnd {
  readonly kind: LooseEndKind;
  readonly deadline: string | null;
}

/** What the children's works are as loose ends, as a household reads their courses; by `student:item`. */
export async function looseEndsOf(
  db: Db | Trx,
  householdId: string,
  studentIds: readonly string[],
): Promise<ReadonlyMap<string, KnownLooseEnd>> {
  const rows = await db('current_figures as f')
    .leftJoin('assumed_figures as own', (on) =>
      on
        .on('own.student_id', 'f.student_id')
        .andOn('own.course_id', 'f.course_id')
        .andOnVal('own.household_id', householdId),
    )
    .whereIn('f.student_id', [...studentIds])
    .select<{ student_id: string; ends: (KnownLooseEnd & { itemId: string })[] | null }[]>(
      'f.student_id',
      db.raw(`coalesce(own.figures, f.figures)->'looseEnds' as ends`),
    );
  return new Map(
    rows.flatMap(({ student_id, ends }) =>
      (ends ?? []).map(({ itemId, kind, deadline }) => [`${student_id}:${itemId}`, { kind, deadline }]),
    ),
  );
}
