import type { Check } from '@cadro/contract';
import type { Db } from '../kit';

export interface Whose {
  readonly studentId: string;
  readonly householdId: string;
}

interface AgreedRow {
  readonly id: string;
  readonly title: string;
  readonly course_title: string | null;
  readonly look_again_on: string | null;
  readonly checklist: readonly Check[];
  readonly child_done_at: Date | null;
  readonly version: number;
}

/** What the child has agreed to do, the soonest first; nothing of what was said about it. */
export const agreedRows = (db: Db, { studentId, householdId }: Whose): Promise<AgreedRow[]> =>
  db('followups as f')
    .leftJoin('school_courses as c', 'c.course_id', 'f.course_id')
    .where({ 'f.student_id': studentId, 'f.household_id': householdId, 'f.owner_kind': 'child' })
    .whereNot({ 'f.step': 'settled' })
    .orderByRaw('f.look_again_on nulls last, f.title')
    .select<AgreedRow[]>(
      ...['f.id', 'f.title', 'c.title as course_title', 'f.look_again_on', 'f.checklist'],
      ...['f.child_done_at', 'f.version'],
    );
