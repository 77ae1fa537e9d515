import type { CourseAnswer, CourseFigures, EndedTerm, LooseEndFigure, LooseEndKind } from '@cadro/contract';
import { oneAtATime, type Db, type Trx } from '../../kit';

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

/** Puts children's current figures in the place of those of before: a few statements, however many children. */
export async function storeFigures(
  trx: Trx,
  studentIds: readonly string[],
  asOf: Date,
  { published, assumed }: { published: readonly KeptFigures[]; assumed: readonly AssumedFigures[] },
): Promise<void> {
  // Two runs for one child at once would meet here: the later one waits, and both write the same.
  await oneAtATime(
    trx,
    studentIds.map((id) => `figures:${id}`),
  );
  await trx('current_figures')
    .whereIn('student_id', [...studentIds])
    .delete();
  await trx('assumed_figures')
    .whereIn('student_id', [...studentIds])
    .delete();
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
 * Wishes for the figures of children; a wish that waits already is the same.
 * @param heldUntil whose records are being read are computed when all of them are in, or at this instant at the latest.
 */
export async function wantFigures(
  trx: Db | Trx,
  studentIds: readonly string[],
  since: Date,
  heldUntil: Date | null = null,
): Promise<void> {
  if (studentIds.length === 0) return;
  await trx.raw(
    `insert into figures_wanted as w (student_id, since, held_until)
       select id, :since, :heldUntil::timestamptz from unnest(:studentIds::uuid[]) as id order by id
     on conflict (student_id) do update set held_until = coalesce(w.held_until, excluded.held_until)`,
    { since, heldUntil, studentIds: [...studentIds] },
  );
}

/** All of a source has been read. */
export async function releaseWanted(db: Db, sourceId: string): Promise<void> {
  await db('figures_wanted')
    .whereNotNull('held_until')
    .whereIn('student_id', db('student_profiles').where({ source_id: sourceId }).select('student_id'))
    .update({ held_until: null });
}

/** The students of a source who wait for their figures. */
export const studentsWaiting = (db: Db, sourceId: string): Promise<string[]> =>
  db('figures_wanted as w')
    .join('student_profiles as s', 's.student_id', 'w.student_id')
    .where({ 's.source_id': sourceId })
    .pluck('w.student_id');

/** Of some children those of whose records not all has been read. */
export const heldAmong = (db: Db, studentIds: readonly string[], now: Date): Promise<string[]> =>
  db('figures_wanted')
    .whereIn('student_id', [...studentIds])
    .where('held_until', '>', now)
    .pluck('student_id');

/** Takes some of the wishes, oldest first, for as long as the transaction lasts: nobody else takes them meanwhile. */
export async function takeWanted(trx: Trx, most: number, now: Date): Promise<string[]> {
  const { rows } = await trx.raw<{ rows: { student_id: string }[] }>(
    `delete from figures_wanted where student_id in (
       select student_id from figures_wanted where held_until is null or held_until <= ?
       order by since, student_id limit ? for update skip locked)
     returning student_id`,
    [now, most],
  );
  return rows.map(({ student_id }) => student_id).sort();
}

/**
 * Students of a source whose figures do not stand any more, or who have none yet. Figures of a later instant than now,
 * from before the clock was set back, do not stand either.
 */
export const studentsWhoseFiguresFell = (db: Db, sourceId: string, now: Date): Promise<string[]> =>
  db('student_profiles as s')
    .leftJoin('figures_stand as f', 'f.student_id', 's.student_id')
    .where({ 's.source_id': sourceId })
    .where((is) => is.whereNull('f.until').orWhere('f.until', '<=', now).orWhere('f.as_of', '>', now))
    .pluck('s.student_id');

/** Puts down up to when children's figures stand by themselves; milliseconds since 1970, by child. */
export async function putStands(trx: Trx, stands: ReadonlyMap<string, number>, asOf: Date): Promise<void> {
  const rows = [...stands].map(([id, ms]) => ({ id, until: new Date(ms).toISOString() }));
  await trx.raw(
    `insert into figures_stand (student_id, as_of, until)
       select id, :asOf, until from jsonb_to_recordset(:rows::jsonb) as s(id uuid, until timestamptz)
     on conflict (student_id) do update set as_of = excluded.as_of, until = excluded.until`,
    { asOf, rows: JSON.stringify(rows) },
  );
}

interface FiguresRow extends Omit<KeptFigures, 'standing' | 'ended'> {
  readonly householdId: string | null;
  readonly asOf: Date;
  /** Up to when they stand by themselves; null where that is not known. */
  readonly until: Date | null;
}

/** All current figures of the children, those of households that read a course in their own way beside them. */
export async function keptFigures(db: Db | Trx, studentIds: readonly string[]): Promise<FiguresRow[]> {
  const { rows } = await db.raw<{ rows: FiguresRow[] }>(
    `select f.student_id as "studentId", f.course_id as "courseId", f.household_id as "householdId", f.as_of as "asOf",
       f.figures, f.moved, s.until
     from (
       select student_id, course_id, null::uuid as household_id, as_of, figures, moved from current_figures
       union all
       select student_id, course_id, household_id, as_of, figures, moved from assumed_figures
     ) f left join figures_stand s using (student_id)
     where f.student_id = any(:ids)`,
    { ids: [...studentIds] },
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
