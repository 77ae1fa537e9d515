import type { CourseFigures, ResultStatus } from '@cadro/contract';
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
