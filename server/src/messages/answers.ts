import EmailReplyParser from 'email-reply-parser';
import type { AddressObject, ParsedMail } from 'mailparser';
import type { Clock, Db } from '../kit';
import { markAnswered } from '../followups';
import * as store from './store';

const longestAnswer = 20_000;

/** What the teacher wrote, without the quoted letter below it. */
function visibleText(mail: ParsedMail): string {
  const text = (mail.text ?? '').replaceAll('\u0000', '');
  const visible = new EmailReplyParser().read(text).getVisibleText().trim();
  return (visible || text.trim() || '—').slice(0, longestAnswer);
}

const senderOf = ({ from }: { readonly from?: AddressObject | undefined }): string | undefined =>
  from?.value[0]?.address?.toLowerCase();

/**
 * Puts a teacher's answer into its thread. Receiving the same mail twice is receiving it once.
 * @returns false when there is no such thread, or the sender is not its teacher; nothing is written then.
 */
export async function receiveAnswer(
  { db, clock }: { readonly db: Db; readonly clock: Clock },
  threadId: string,
  mail: ParsedMail,
): Promise<boolean> {
  const now = await clock.now();
  return db.transaction(async (trx) => {
    const thread = await store.threadById(trx, threadId);
    if (!thread || senderOf(mail) !== thread.teacher_email?.toLowerCase()) return false;
    const text = visibleText(mail);
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
      mime_id: mail.messageId ?? null,
    });
    if (stored) {
      const asked = await store.followUpsOfThread(trx, thread.id);
      await markAnswered(trx, asked, { author: thread.teacher_name, text, now });
    }
    return true;
  });
}
