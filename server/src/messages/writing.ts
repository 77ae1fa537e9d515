import type { Child, NewMessage, Thread } from '@cadro/contract';
import { dateIn, dayMs, isNight } from '@cadro/core';
import { followUpById, markWritten, unmarkWritten } from '../followups';
import { householdOf, requireChild } from '../household';
import { addJobs, HttpProblem, takeTry, type Deps, type Job, type ServerDeps, type Trx } from '../kit';
import { desksOf } from '../records';
import { dropQueued, letterOf } from './letterStore';
import * as store from './store';
import { wholeThread } from './threads';

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
  const { lookAgainOn, goesAt = now } = letter;
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
  const seconds = (goesAt.getTime() - now.getTime()) / 1000;
  if (message) await addJobs(trx, [mailJob(message, seconds)]);
  if (followUpId) {
    const today = dateIn(child.timeZone, now);
    const about = { studentId: child.id, followUpId };
    await markWritten(trx, about, { author, text, today, now, ...(lookAgainOn ? { lookAgainOn } : {}) });
  }
  return { threadId: thread, messageId: message };
}

/** Who writes later does so within two weeks, and not at night. */
const latestDays = 14;

/** When a letter goes out. @throws HttpProblem 400 for a time that is over, far away, or in the child's night. */
function goingAt(
  { sendAt }: NewMessage,
  { now, timeZone, holdSeconds }: { now: Date; timeZone: string; holdSeconds: number },
): Date {
  if (!sendAt) return new Date(now.getTime() + holdSeconds * 1000);
  const at = new Date(sendAt);
  const soon = at > now && at.getTime() - now.getTime() <= latestDays * dayMs;
  if (soon && !isNight(timeZone, at)) return at;
  throw new HttpProblem('bad-request', {
    errors: [
      { path: '/sendAt', message: 'must lie within two weeks, between 06:00 and 21:00 at the school' },
    ],
  });
}

/** Writes to one of the child's teachers, or to who answers for attendance at the school. */
export async function writeToTeacher(
  deps: Deps & Pick<ServerDeps, 'config'>,
  guardianId: string,
  input: NewMessage,
): Promise<Thread> {
  const { db, clock, config } = deps;
  const child = await requireChild(db, guardianId, input.studentId, 'write-talk');
  const now = await clock.now();
  const [teachers, desks] = await Promise.all([
    store.teachersOf(db, guardianId, child.id, now),
    desksOf(db, [child.id]),
  ]);
  const teacher = [...teachers, ...desks.values()].find(({ id }) => id === input.teacherId);
  if (!teacher) throw new HttpProblem('not-found');
  if (!teacher.email) throw new HttpProblem('teacher-without-contact');
  const followUp = input.followUpId ? await followUpById(db, guardianId, [child.id], input.followUpId) : null;
  if (followUp === undefined) throw new HttpProblem('not-found');
  const { id: householdId, author } = await householdOf(db, guardianId);
  const { subject, text } = input;
  const goesAt = goingAt(input, { now, timeZone: child.timeZone, holdSeconds: config.letterHoldSeconds });
  const { threadId } = await db.transaction((trx) =>
    sendLetter(trx, {
      child,
      guardianId,
      householdId,
      teacherId: teacher.id,
      followUpId: followUp?.id ?? null,
      author,
      subject,
      text,
      now,
      goesAt,
    }),
  );
  return wholeThread(deps, guardianId, threadId);
}

/**
 * Takes a letter back that has not gone out; its follow-up stands where it stood.
 * @throws HttpProblem 404 for no letter of the household; 409 `too-late` once it has gone.
 */
export async function takeBack(
  { db, clock }: Deps,
  guardianId: string,
  messageId: string,
): Promise<Omit<NewMessage, 'sendAt' | 'followUpId'> & { followUpId: string | null }> {
  const letter = await letterOf(db, guardianId, messageId);
  if (!letter) throw new HttpProblem('not-found');
  const { student_id: studentId, followup_id: followUpId, teacher_id: teacherId, subject, text } = letter;
  await requireChild(db, guardianId, studentId, 'write-talk');
  const now = await clock.now();
  const gone = await db.transaction(async (trx) => {
    if (!(await dropQueued(trx, messageId))) return false;
    if (followUpId) await unmarkWritten(trx, { studentId, followUpId }, { text, now });
    return true;
  });
  if (!gone) throw new HttpProblem('too-late');
  return { studentId, teacherId, followUpId, subject, text };
}
