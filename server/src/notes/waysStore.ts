import type { WayWork } from '@cadro/core';
import type { Db } from '../kit';

/** A child's assignments of some courses, each with when it was graded. */
export const worksBy = async (
  db: Db,
  { studentId, courseIds }: { readonly studentId: string; readonly courseIds: readonly string[] },
): Promise<WayWork[]> => {
  const rows = await db('student_items')
    .where({ student_id: studentId, removed: false })
    .whereIn('course_id', [...courseIds])
    .select<
      { due_at: Date | null; undated: boolean; place: string | null; status: string; at: Date | null }[]
    >(...['due_at', 'undated', 'place', 'status', 'at']);
  return rows.map(({ due_at, undated, place, status, at }) => ({
    ...{ dueAt: undated ? null : due_at, place, gradedAt: status === 'scored' ? at : null },
  }));
};
