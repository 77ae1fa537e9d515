import type { MeetingSeen } from '@cadro/core';
import { dayMs } from '@cadro/core';
import { householdOf } from '../household';
import type { Db } from '../kit';
import { meetingsBetween } from './store';

/** So far back and ahead meetings are of interest to the Brief. */
const span = { backMs: 7 * dayMs, aheadMs: 60 * dayMs } as const;

/** The family's meetings about some children around an instant: one query. */
export async function meetingsSeen(
  db: Db,
  guardianId: string,
  studentIds: readonly string[],
  now: Date,
): Promise<MeetingSeen[]> {
  if (studentIds.length === 0) return [];
  const { id: householdId } = await householdOf(db, guardianId);
  const rows = await meetingsBetween(db, householdId, studentIds, {
    from: new Date(now.getTime() - span.backMs),
    to: new Date(now.getTime() + span.aheadMs),
  });
  return rows.map(
    ({ id, student_id, teacher_name, starts_at, ends_at, way, place, state, notes, agreed }) => ({
      ...{ id, studentId: student_id, teacherName: teacher_name, way, place, state },
      ...{ startsAt: starts_at.toISOString(), endsAt: ends_at.toISOString() },
      written: Boolean(notes?.trim()) || agreed.length > 0,
    }),
  );
}
