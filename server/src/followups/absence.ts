import type { AbsenceClaim, RegisterMark } from '@cadro/contract';
import { marksAbout } from '@cadro/core';
import { schoolRegisters, type StandingMark } from '../attendance';
import { type Db, HttpProblem, isUniqueViolation, type Trx } from '../kit';
import * as store from './store';

export const registerMark = ({ mark, meaning }: StandingMark): RegisterMark => ({
  on: mark.on,
  period: mark.period,
  code: mark.code,
  kind: meaning?.kind ?? null,
  excused: meaning?.excused ?? false,
  label: meaning?.label ?? null,
});

/** What the school's register says now of the lessons a claim is about. */
export async function registerNow(
  db: Db,
  studentId: string,
  { lessons }: AbsenceClaim,
): Promise<RegisterMark[]> {
  const dates = lessons.map(({ on }) => on).sort();
  const [from, to] = [dates[0], dates.at(-1)];
  if (!from || !to) return [];
  const registers = await schoolRegisters(db, [studentId], { from, to });
  return marksAbout(lessons, registers.get(studentId) ?? []).map(registerMark);
}

/** One matter for one absence and one purpose, whatever order its lessons were picked in. */
const keyOf = ({ purpose, lessons }: AbsenceClaim): string =>
  [purpose, ...lessons.map(({ on, period }) => `${on}/${period ?? ''}`).sort()].join(' ');

export interface NewAbsence {
  readonly studentId: string;
  readonly householdId: string;
  readonly guardianId: string;
  readonly author: string;
  readonly claim: AbsenceClaim;
  readonly title: string;
  readonly lookAgainOn: string;
  readonly now: Date;
}

/**
 * Takes an absence in hand.
 * @throws HttpProblem 409 `edited-meanwhile` when the same is in hand already.
 */
export async function openAbsence(trx: Trx, absence: NewAbsence): Promise<string> {
  const { studentId, householdId, guardianId, author, claim, title, lookAgainOn, now } = absence;
  try {
    const id = await store.insertFollowUp(trx, {
      student_id: studentId,
      household_id: householdId,
      course_id: null,
      item_id: null,
      topic: 'attendance',
      title,
      loose_end_kind: null,
      works: [],
      absence: claim,
      absence_key: keyOf(claim),
      step: 'noticed',
      look_again_on: lookAgainOn,
      updated_at: now,
      owner_id: guardianId,
    });
    await store.addEntries(trx, { studentId, followUpId: id }, now, [
      { kind: 'noticed', author },
      { kind: 'look-again', author, lookAgainOn },
    ]);
    return id;
  } catch (error) {
    if (!isUniqueViolation(error)) throw error;
    throw new HttpProblem('edited-meanwhile', { cause: error });
  }
}
