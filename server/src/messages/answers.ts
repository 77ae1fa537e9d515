import { takeTry, type ServerDeps } from '../kit';
import type { Incoming } from '../sources';
import { markAnswered } from '../followups';
import * as store from './store';

const longestAnswer = 20_000;

/** Answers to one thread that are not confirmed: a person writes some, a flood is not kept. */
const strangers = {
  free: 10,
  firstWaitSeconds: 3600,
  longestWaitSeconds: 24 * 3600,
  forgetSeconds: 48 * 3600,
};

/** Why an answer is not confirmed to be the teacher's; null when it is. */
function doubtOf({ sender, verdict }: Incoming, teacherEmail: string | null) {
  if (sender === '' || sender !== teacherEmail?.toLowerCase()) return 'other-sender';
  return verdict === 'passed' ? null : 'not-verified';
}

/**
 * Puts an answer into its thread. Receiving the same mail twice is receiving it once. What comes from another address
 * than the teacher's, or is not vouched for by the mail provider, stands there as not confirmed and moves nothing on;
 * neither does what a program has written by itself.
 * @returns false when there is no such thread, or more unconfirmed mail than a person writes; nothing is written then.
 */
export async function receiveAnswer(
  { db, clock }: Pick<ServerDeps, 'db' | 'clock'>,
  threadId: string,
  mail: Incoming & { readonly said: string },
): Promise<boolean> {
  const now = await clock.now();
  const { automatic, sender } = mail;
  const text = (mail.said || '—').slice(0, longestAnswer);
  return db.transaction(async (trx) => {
    const thread = await store.threadById(trx, threadId);
    if (!thread) return false;
    const doubt = doubtOf(mail, thread.teacher_email);
    if (doubt !== null) await takeTry(trx, [{ kind: 'unconfirmed', of: threadId, patience: strangers }]);
    const stored = await store.insertMessage(trx, {
      student_id: thread.student_id,
      thread_id: thread.id,
      followup_id: null,
      from_teacher: true,
      author: thread.teacher_name,
      subject: mail.subject.slice(0, 200),
      text,
      at: now,
      state: 'received',
      mime_id: mail.id,
      ...{ doubt, automatic, sender: sender.slice(0, 320) },
    });
    if (stored && doubt === null && !automatic) {
      const asked = await store.followUpsOfThread(trx, thread.id);
      await markAnswered(trx, asked, { author: thread.teacher_name, text, now });
    }
    return true;
  });
}
