import { takeTry, type ServerDeps } from '../kit';
import type { Incoming } from '../sources';
import { markAnswered } from '../followups';
import { putFiles, saidAddresses } from './fileStore';
import * as store from './store';

const longestAnswer = 20_000;

/** Answers to one thread that are not confirmed: a person writes some, a flood is not kept. */
const strangers = {
  free: 10,
  firstWaitSeconds: 3600,
  longestWaitSeconds: 24 * 3600,
  forgetSeconds: 48 * 3600,
};

type Came = Incoming & {
  /** Whether it is to the thread's address, and was not only brought there. */
  readonly addressed: boolean;
};

/** Why an answer is not confirmed to be the teacher's; null when it is. @param known addresses of theirs. */
function doubtOf({ sender, verdict, addressed }: Came, known: readonly string[]) {
  if (sender === '' || !known.includes(sender)) return 'other-sender';
  if (verdict !== 'passed') return 'not-verified';
  return addressed ? null : 'not-addressed';
}

/** An answer in a line: its words, else the names of what came with it. */
export const inShort = (text: string, files: readonly { readonly name: string }[]): string =>
  text || files.map(({ name }) => name).join(', ') || '—';

/**
 * Puts an answer into its thread. Receiving the same mail twice is receiving it once. What comes from another address
 * than the teacher's, or is not vouched for by the mail provider, is held there until somebody says whether it is theirs,
 * and moves nothing on; neither does what a program has written by itself.
 * @returns false when there is no such thread, or more unconfirmed mail than a person writes; nothing is written then.
 */
export async function receiveAnswer(
  { db, clock }: Pick<ServerDeps, 'db' | 'clock'>,
  threadId: string,
  mail: Came,
): Promise<boolean> {
  const now = await clock.now();
  const { automatic, sender, files } = mail;
  const text = mail.said.slice(0, longestAnswer);
  return db.transaction(async (trx) => {
    const thread = await store.threadById(trx, threadId);
    if (!thread) return false;
    const { teacher_email, teacher_name: author, student_id: studentId } = thread;
    const known = [
      ...(teacher_email ? [teacher_email.toLowerCase()] : []),
      ...(await saidAddresses(trx, threadId)),
    ];
    const doubt = doubtOf(mail, known);
    if (doubt !== null) await takeTry(trx, [{ kind: 'unconfirmed', of: threadId, patience: strangers }]);
    const messageId = await store.insertMessage(trx, {
      ...{ student_id: studentId, thread_id: thread.id, followup_id: null, from_teacher: true, author },
      ...{ subject: mail.subject.slice(0, 200), text, at: now, state: 'received', mime_id: mail.id },
      ...{ doubt, automatic, sender: sender.slice(0, 320) },
    });
    if (messageId === null) return true;
    await putFiles(trx, { studentId, messageId }, files);
    if (doubt === null && !automatic) {
      const asked = await store.followUpsOfThread(trx, thread.id);
      await markAnswered(trx, asked, { author, text: inShort(text, files), now });
    }
    return true;
  });
}
