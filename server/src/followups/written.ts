import { daysAfter, isWeekend, nextWeekday } from '@cadro/core';
import type { Trx } from '../kit';
import { dropWritten, lockOpen } from './openStore';
import * as store from './store';

/** Days a teacher is given before Cadro brings the matter back; records do not move at the weekend. */
const teacherDays = 3;

/** The day, some days after a date, on which something written to the school comes back. */
export function lookAgainAfter(date: string, days = teacherDays): string {
  const day = daysAfter(date, days);
  return isWeekend(day) ? nextWeekday(day, 1) : day;
}

/**
 * A question has gone to the teacher: the follow-up waits on the school and comes back after some days.
 * One that has settled meanwhile stays as it is.
 */
export async function markWritten(
  trx: Trx,
  subject: { studentId: string; followUpId: string },
  what: { author: string; text: string; today: string; now: Date; lookAgainOn?: string },
): Promise<void> {
  const open = await lockOpen(trx, subject);
  if (!open) return;
  const key = { ...subject, version: open.version };
  const lookAgainOn = what.lookAgainOn ?? lookAgainAfter(what.today);
  await store.changeIfVersion(trx, key, { step: 'waiting-on-school', look_again_on: lookAgainOn }, what.now);
  await store.addEntries(trx, key, what.now, [
    { kind: 'written', author: what.author, step: 'waiting-on-school', lookAgainOn, text: what.text },
  ]);
}

/** The teacher has answered: told in the story of every open follow-up that asked. */
export async function markAnswered(
  trx: Trx,
  followUpIds: readonly string[],
  answer: { author: string; text: string; now: Date },
): Promise<void> {
  for (const { id, student_id } of await store.stillOpen(trx, followUpIds)) {
    await store.addEntries(trx, { studentId: student_id, followUpId: id }, answer.now, [
      { kind: 'answered', author: answer.author, text: answer.text },
    ]);
  }
}

/** The question did not go out after all: the follow-up stands where it stood before. */
export async function unmarkWritten(
  trx: Trx,
  subject: { studentId: string; followUpId: string },
  { text, now }: { text: string; now: Date },
): Promise<void> {
  const open = await lockOpen(trx, subject);
  const before = await dropWritten(trx, subject, text);
  if (!open || !before) return;
  const key = { ...subject, version: open.version };
  await store.changeIfVersion(trx, key, { step: before.step, look_again_on: before.lookAgainOn }, now);
}
