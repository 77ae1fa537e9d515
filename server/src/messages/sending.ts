import type { Child } from '@cadro/contract';
import { dateIn } from '@cadro/core';
import { markWritten } from '../followups';
import { addJobs, takeTry, type Job, type Trx } from '../kit';
import { putFiles, type NewFile } from './fileStore';
import * as store from './store';

/** What is written to a teacher or to the school's desk. */
export interface SchoolLetter {
  readonly child: Child;
  /** Who writes. */
  readonly guardianId: string;
  readonly householdId: string;
  readonly teacherId: string;
  readonly followUpId: string | null;
  readonly author: string;
  readonly subject: string;
  readonly text: string;
  readonly now: Date;
  /** When the follow-up comes back; some days from now by default. */
  readonly lookAgainOn?: string;
  /** When it goes out, by the clock of `now`; at once where nothing is said. */
  readonly goesAt?: Date;
  readonly files?: readonly NewFile[];
}

/** The queue's wish that a stored message is sent. */
const mailJob = (messageId: string, after = 0): Job => ({
  task: 'sendMail',
  payload: { messageId },
  key: `mail:${messageId}`,
  ...(after > 0 ? { after } : {}),
});

const hour = 3600;
/**
 * Letters by one person, and by one household to one receiver: more than a family writes in its worst week, and too few
 * to bury a teacher.
 */
const letterPatience = {
  by: { free: 30, firstWaitSeconds: 600, longestWaitSeconds: 12 * hour, forgetSeconds: 24 * hour },
  to: { free: 8, firstWaitSeconds: 900, longestWaitSeconds: 12 * hour, forgetSeconds: 24 * hour },
} as const;

/**
 * Stores a message and the job that sends it, both or neither; a follow-up it is about moves on with it.
 * @throws HttpProblem `too-many-tries` with how long to wait.
 * @returns the thread it stands in, and the letter itself.
 */
export async function sendLetter(
  trx: Trx,
  letter: SchoolLetter,
): Promise<{ threadId: string; messageId: string | null }> {
  const { child, guardianId, householdId, teacherId, followUpId, author, subject, text, now } = letter;
  const { lookAgainOn, goesAt = now, files = [] } = letter;
  await takeTry(trx, [
    { kind: 'letter-by', of: guardianId, patience: letterPatience.by },
    { kind: 'letter-to', of: `${householdId}:${teacherId}`, patience: letterPatience.to },
  ]);
  const thread = await store.threadFor(trx, { householdId, studentId: child.id, teacherId });
  const message = await store.insertMessage(trx, {
    student_id: child.id,
    thread_id: thread,
    followup_id: followUpId,
    from_teacher: false,
    author,
    subject,
    text,
    at: now,
    state: 'queued',
    mime_id: null,
    goes_at: goesAt,
  });
  if (message) await putFiles(trx, { studentId: child.id, messageId: message }, files);
  const seconds = (goesAt.getTime() - now.getTime()) / 1000;
  if (message) await addJobs(trx, [mailJob(message, seconds)]);
  if (followUpId) {
    const today = dateIn(child.timeZone, now);
    const about = { studentId: child.id, followUpId };
    await markWritten(trx, about, { author, text, today, now, ...(lookAgainOn ? { lookAgainOn } : {}) });
  }
  return { threadId: thread, messageId: message };
}
