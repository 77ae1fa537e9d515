import type { ResultStatus } from '@cadro/contract';
import type { Db } from '../kit';

/** What a work was before its source told it differently, as the log of changes keeps it. */
export interface ItemChange {
  readonly studentId: string;
  readonly itemId: string;
  readonly at: Date;
  readonly before: Readonly<Record<string, unknown>>;
}

/** How the works of the children's courses were told before, the latest change first: one query. */
export const itemChanges = (db: Db, studentIds: readonly string[]): Promise<ItemChange[]> =>
  db('change_log')
    .whereIn('student_id', [...studentIds])
    .where({ kind: 'work' })
    .whereNotNull('item_id')
    .whereNotNull('before')
    .orderBy([
      { column: 'at', order: 'desc' },
      { column: 'id', order: 'desc' },
    ])
    .select<ItemChange[]>('student_id as studentId', 'item_id as itemId', 'at', 'before');

interface State {
  readonly status: ResultStatus;
  readonly earned: number | null;
}

export interface ResultChange {
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
  readonly kind: string | null;
  readonly in_class: boolean | null;
  readonly at: Date;
  readonly before: State | null;
  readonly after: State;
}

/** What changed in the children's results since an instant, newest first. */
export const resultChanges = (db: Db, studentIds: readonly string[], since: Date): Promise<ResultChange[]> =>
  db('change_log as l')
    .join('course_items as i', 'i.item_id', 'l.item_id')
    .join('courses as c', 'c.id', 'l.course_id')
    .whereIn('l.student_id', [...studentIds])
    .where({ 'l.kind': 'result', 'i.removed': false })
    .where('l.at', '>=', since)
    .orderBy([
      { column: 'l.at', order: 'desc' },
      { column: 'l.id', order: 'desc' },
    ])
    .select<ResultChange[]>(
      'l.student_id',
      'l.course_id',
      'c.title as course_title',
      'c.policy',
      'l.item_id',
      'i.title',
      'i.possible',
      'i.counts',
      'i.extra_credit',
      'i.due_at',
      'i.kind',
      'i.in_class',
      'l.at',
      'l.before',
      'l.after',
    );
