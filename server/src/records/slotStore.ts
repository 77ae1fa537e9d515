import type { MeetingWay } from '@cadro/contract';
import type { Db } from '../kit';

export interface SlotRow {
  readonly slot_id: string;
  readonly student_id: string;
  readonly source_id: string;
  readonly teacher_id: string;
  readonly teacher_name: string;
  readonly starts_at: Date;
  readonly ends_at: Date;
  readonly time_zone: string;
  readonly way: MeetingWay;
  readonly place: string | null;
  readonly href: string | null;
  readonly taken: boolean;
  readonly ours: boolean;
  readonly gone: boolean;
}

/** So many times are told of: those of a few weeks at the largest school. */
const mostSlots = 500;

/** The times that schools offer for some children after an instant and that are free or theirs, the soonest first. */
export const offeredSlots = (db: Db, studentIds: readonly string[], after: Date): Promise<SlotRow[]> =>
  db('student_slots')
    .whereIn('student_id', [...studentIds])
    .where('starts_at', '>', after)
    .where({ gone: false })
    .whereRaw('(ours or not taken)')
    .orderBy(['starts_at', 'teacher_name', 'slot_id', 'student_id'])
    .limit(mostSlots)
    .select<SlotRow[]>('*');

/** One time as it is for a child; undefined where it is not for this child. */
export const slotFor = (db: Db, slotId: string, studentId: string): Promise<SlotRow | undefined> =>
  db('student_slots').where({ slot_id: slotId, student_id: studentId }).first<SlotRow | undefined>('*');

/** By which names a school knows a time and a child. */
export const slotPlace = (
  house: Db,
  slotId: string,
  studentId: string,
): Promise<{ source_id: string; external_id: string; student_external_id: string } | undefined> =>
  house('slots as o')
    .join('students as s', 's.source_id', 'o.source_id')
    .where({ 'o.id': slotId, 's.id': studentId })
    .first('o.source_id', 'o.external_id', 's.external_id as student_external_id');

/** Writes down what a school has answered about one of its times. */
export async function markSlot(
  house: Db,
  slotId: string,
  told: { readonly taken: boolean; readonly booked_for: string | null },
): Promise<void> {
  await house('slots').where({ id: slotId }).update(told);
}
