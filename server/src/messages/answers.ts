import type { AddressObject, ParsedMail } from 'mailparser';
import { createHash } from 'node:crypto';
import { isAutomatic, senderVerdict, takeTry, type ServerDeps } from '../kit';
import { markAnswered } from '../followups';
import * as store from './store';

const longestAnswer = 20_000;

/** Reads what somebody answers apart from the letter it quotes, in a thread that ends when it takes too long: then null. */
export type ReplyOf = (text: string) => Promise<string | null>;

/** What the teacher wrote, without the quoted letter below it. */
async function visibleText(mail: ParsedMail, replyOf: ReplyOf): Promise<string> {
  const text = (mail.text ?? '').replaceAll('\u0000', '');
  const visible = await replyOf(text);
  return (visible || text.trim() || '—').slice(0, longestAnswer);
}

const senderOf = ({ from }: { readonly from?: AddressObject | undefined }): string =>
  from?.value[0]?.address?.toLowerCase() ?? '';

/** A mail without an id of its own is known by what it says: played again it is the same one. */
const idOf = (mail: ParsedMail): string => {
  if (mail.messageId) return mail.messageId;
  const said = [senderOf(mail), mail.date?.toISOString() ?? '', mail.subject ?? '', mail.text ?? ''];
  return `<${createHash('sha256').update(JSON.stringify(said)).digest('hex')}@no-id.invalid>`;
};

/** Answers to one thread that are not confirmed: a person writes some, a flood is not kept. */
const strangers = {
  free: 10,
  firstWaitSeconds: 3600,
  longestWaitSeconds: 24 * 3600,
  forgetSeconds: 48 * 3600,
};

/** Why an answer is not confirmed to be the teacher's; null when it is. */
function doubtOf(mail: ParsedMail, teacherEmail: string | null, trustedHost: string | null) {
  const sender = senderOf(mail);
  if (sender === '' || sender !== teacherEmail?.toLowerCase()) return 'other-sender';
  return senderVerdict(mail, trustedHost, sender) === 'passed' ? null : 'not-verified';
}

/**
 * Puts an answer into its thread. Receiving the same mail twice is receiving it once. What comes from another address
 * than the teacher's, or is not vouched for by the mail provider, stands there as not confirmed and moves nothing on;
 * neither does what a program has written by itself.
 * @returns false when there is no such thread, or more unconfirmed mail than a person writes; nothing is written then.
 */
export async function receiveAnswer(
  { db, clock, config }: Pick<ServerDeps, 'db' | 'clock' | 'config'>,
  threadId: string,
  mail: ParsedMail,
  replyOf: ReplyOf,
): Promise<boolean> {
  const now = await clock.now();
  const text = await visibleText(mail, replyOf);
  return db.transaction(async (trx) => {
    const thread = await store.threadById(trx, threadId);
    if (!thread) return false;
    const doubt = doubtOf(mail, thread.teacher_email, config.mailVerdictHost);
    if (doubt !== null) await takeTry(trx, [{ kind: 'unconfirmed', of: threadId, patience: strangers }]);
    const automatic = isAutomatic(mail);
    const stored = await store.insertMessage(trx, {
      student_id: thread.student_id,
      thread_id: thread.id,
      followup_id: null,
      from_teacher: true,
      author: thread.teacher_name,
      subject: (mail.subject ?? '').slice(0, 200),
      text,
      at: now,
      state: 'received',
      mime_id: idOf(mail),
      ...{ doubt, automatic, sender: senderOf(mail).slice(0, 320) },
    });
    if (stored && doubt === null && !automatic) {
      const asked = await store.followUpsOfThread(trx, thread.id);
      await markAnswered(trx, asked, { author: thread.teacher_name, text, now });
    }
    return true;
  });
}
