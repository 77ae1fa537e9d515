import type { Trx } from '../db';
import * as store from './store';

/** Days a teacher is given before Cadro brings the matter back. */
const teacherDays = 3;

const addDays = (date: string, days: number): string =>
  new Date(Date.parse(`${date}T00:00:00Z`) + days * 24 * 60 * 60 * 1000).toISOString().slice(0, 10);

/** A question has gone to the teacher: the follow-up waits on the school and comes back after some days. */
export async function markWritten(
  trx: Trx,
  row: store.FollowUpRow,
  what: { author: string; text: string; today: string; now: Date },
): Promise<void> {
  const key = { studentId: row.student_id, followUpId: row.id, version: row.version };
  const lookAgainOn = addDays(what.today, teacherDays);
  await store.changeIfVersion(trx, key, { step: 'waiting-on-school', look_again_on: lookAgainOn }, what.now);
  await store.addEntries(trx, key, what.now, [
    { kind: 'written', author: what.author, step: 'waiting-on-school', lookAgainOn, text: what.text },
  ]);
}

/** The teacher has answered: told in the story of every open follow-up that asked. */
export async function markAnswered(
  trx: Trx,
  threadId: string,
  answer: { author: string; text: string; now: Date },
): Promise<void> {
  const rows = await trx('followups as f')
    .whereIn(
      'f.id',
      trx('messages').where({ thread_id: threadId }).whereNotNull('followup_id').select('followup_id'),
    )
    .whereNot({ 'f.step': 'settled' })
    .select<{ id: string; student_id: string }[]>('f.id', 'f.student_id');
  for (const { id, student_id } of rows) {
    await store.addEntries(trx, { studentId: student_id, followUpId: id }, answer.now, [
      { kind: 'answered', author: answer.author, text: answer.text },
    ]);
  }
}
