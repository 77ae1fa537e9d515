import type { NewLetters, NewMessage, Thread } from '@cadro/contract';
import { dayMs, isNight } from '@cadro/core';
import { contactsFor } from '../contacts';
import { followUpById, unmarkWritten } from '../followups';
import { householdOf, requireChild } from '../household';
import { HttpProblem, type Deps, type ServerDeps } from '../kit';
import { filesOut } from './files';
import { dropQueued, letterOf } from './letterStore';
import { sendLetter } from './sending';
import { wholeThread } from './threads';

/** Who writes later does so within two weeks, and not at night. */
const latestDays = 14;

/** When a letter goes out. @throws HttpProblem 400 for a time that is over, far away, or in the child's night. */
function goingAt(
  { sendAt }: Pick<NewMessage, 'sendAt'>,
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

type Writing = Deps & Pick<ServerDeps, 'config' | 'threads'>;

/**
 * Writes to some of those at a child's school, to each a letter of their own: all of them go out, or none.
 * @throws HttpProblem 404 for somebody who is not there for the child; 422 `teacher-without-contact`, `unfit-file`; 429.
 */
export async function writeToSeveral(
  deps: Writing,
  guardianId: string,
  { letters, ...input }: NewLetters,
): Promise<{ threadIds: string[] }> {
  const { db, clock, config } = deps;
  const child = await requireChild(db, guardianId, input.studentId, 'write-talk');
  const now = await clock.now();
  const contacts = new Map((await contactsFor(db, child.id, now)).map((contact) => [contact.id, contact]));
  for (const { teacherId } of letters) {
    const contact = contacts.get(teacherId);
    if (!contact) throw new HttpProblem('not-found');
    if (contact.email === null) throw new HttpProblem('teacher-without-contact');
  }
  const followUp = input.followUpId ? await followUpById(db, guardianId, [child.id], input.followUpId) : null;
  if (followUp === undefined) throw new HttpProblem('not-found');
  const { id: householdId, author } = await householdOf(db, guardianId);
  const goesAt = goingAt(input, { now, timeZone: child.timeZone, holdSeconds: config.letterHoldSeconds });
  const files = await filesOut(deps, guardianId, input.files ?? []);
  const { subject } = input;
  const each = new Map(letters.map(({ teacherId, text }) => [teacherId, text]));
  const threadIds = await db.transaction(async (trx) => {
    const written: string[] = [];
    for (const [teacherId, text] of each) {
      const { threadId } = await sendLetter(trx, {
        ...{ child, guardianId, householdId, teacherId, followUpId: followUp?.id ?? null },
        ...{ author, subject, text, now, goesAt, files },
      });
      written.push(threadId);
    }
    return written;
  });
  return { threadIds };
}

/** Writes to somebody at the child's school: a teacher, an office, a desk. */
export async function writeToTeacher(
  deps: Writing,
  guardianId: string,
  { teacherId, text, ...input }: NewMessage,
): Promise<Thread> {
  const { threadIds } = await writeToSeveral(deps, guardianId, { ...input, letters: [{ teacherId, text }] });
  return wholeThread(deps, guardianId, threadIds[0] ?? '');
}

/**
 * Takes a letter back that has not gone out; its follow-up stands where it stood.
 * @throws HttpProblem 404 for no letter of the household; 409 `too-late` once it has gone.
 */
export async function takeBack(
  { db, clock }: Deps,
  guardianId: string,
  messageId: string,
): Promise<Pick<NewMessage, 'studentId' | 'teacherId' | 'subject' | 'text'> & { followUpId: string | null }> {
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
