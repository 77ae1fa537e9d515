import type { CourseFigures, ResultStatus } from '@cadro/contract';
import type { Said } from '@cadro/core';
import type { Db, Trx } from '../db';
import { dueSql } from '../gradebook';

export interface StoredFigures {
  readonly courseId: string;
  readonly figures: CourseFigures;
}
/** Figures by a household's own correction of the policy. */
export interface AssumedFigures extends StoredFigures {
  readonly householdId: string;
}

/** Puts a child's current figures in the place of those of before. */
export async function storeFigures(
  trx: Trx,
  studentId: string,
  asOf: Date,
  { published, assumed }: { published: readonly StoredFigures[]; assumed: readonly AssumedFigures[] },
): Promise<void> {
  // Two runs for one child at once would meet here: the later one waits, and both write the same.
  await trx.raw('select 1 from students where id = ? for no key update', [studentId]);
  const rowOf = (each: StoredFigures) => ({
    student_id: studentId,
    course_id: each.courseId,
    as_of: asOf,
    figures: JSON.stringify(each.figures),
  });
  for (const table of ['current_figures', 'assumed_figures']) {
    await trx(table).where({ student_id: studentId }).delete();
  }
  if (published.length > 0) await trx('current_figures').insert(published.map(rowOf));
  if (assumed.length === 0) return;
  await trx('assumed_figures').insert(
    assumed.map((each) => ({ ...rowOf(each), household_id: each.householdId })),
  );
}

export const allStudentIds = (db: Db): Promise<string[]> => db('students').orderBy('id').pluck('id');

interface State {
  readonly status: ResultStatus;
  readonly earned: number | null;
}

export interface ChangeRow {
  readonly student_id: string;
  readonly course_id: string;
  readonly course_title: string;
  readonly policy: unknown;
  readonly item_id: string;
  readonly title: string;
  readonly possible: number;
  readonly counts: boolean;
  readonly extra_credit: boolean;
  readonly due_at: Date | null;
  readonly at: Date;
  readonly before: State | null;
  readonly after: State;
}

/** What changed in the children's results since an instant, newest first. */
export const resultChanges = (db: Db, studentIds: readonly string[], since: Date): Promise<ChangeRow[]> =>
  db('change_log as l')
    .join('items as i', 'i.id', 'l.item_id')
    .join('categories as k', 'k.id', 'i.category_id')
    .join('courses as c', 'c.id', 'l.course_id')
    .whereIn('l.student_id', [...studentIds])
    .where({ 'l.kind': 'result', 'i.removed': false })
    .where('l.at', '>=', since)
    .orderBy([
      { column: 'l.at', order: 'desc' },
      { column: 'l.id', order: 'desc' },
    ])
    .select<ChangeRow[]>(
      'l.student_id',
      'l.course_id',
      'c.title as course_title',
      'c.policy',
      'l.item_id',
      'i.title',
      'i.possible',
      db.raw('i.counts and k.counts as counts'),
      'i.extra_credit',
      db.raw(`${dueSql} as due_at`),
      'l.at',
      'l.before',
      'l.after',
    );

export interface SaidRow {
  readonly status: ResultStatus;
  readonly earned: number | null;
  readonly at: Date | null;
}

export const saidAs = ({ status, earned, at }: SaidRow): Said => ({
  status,
  earned,
  atMs: at && at.getTime(),
});

interface BothRow extends SaidRow {
  readonly student_id: string;
  readonly item_id: string;
  readonly is_status: ResultStatus | null;
  readonly is_earned: number | null;
  readonly is_at: Date | null;
}

/** What gradebook and classroom say of these works, where the classroom has said anything; by child and item. */
export async function classroomSaid(
  db: Db,
  studentIds: readonly string[],
  itemIds: readonly string[],
): Promise<Map<string, { gradebook: SaidRow; classroom: SaidRow }>> {
  const rows = await db('hand_ins as h')
    .whereIn('h.student_id', [...studentIds])
    .whereIn('h.item_id', [...itemIds])
    .joinRaw(
      `left join lateral (
         select r.status, r.earned, r.at from results r
         where r.student_id = h.student_id and r.item_id = h.item_id order by r.at desc, r.seq desc limit 1) r on true`,
    )
    .orderBy('h.at')
    .select<BothRow[]>(
      'h.student_id',
      'h.item_id',
      'h.status',
      'h.earned',
      'h.at',
      'r.status as is_status',
      'r.earned as is_earned',
      'r.at as is_at',
    );
  return new Map(
    rows.map(({ student_id, item_id, status, earned, at, is_status, is_earned, is_at }) => [
      `${student_id}:${item_id}`,
      {
        classroom: { status, earned, at },
        gradebook: { status: is_status ?? 'open', earned: is_earned, at: is_at },
      },
    ]),
  );
}
