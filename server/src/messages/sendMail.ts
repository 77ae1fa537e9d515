import { type MailCarrier, isOneAddress, mailAddress, refusedReceiver, type Config, type Db } from '../kit';
import { keptFiles } from './fileStore';
import * as store from './letterStore';

interface MailDeps {
  readonly db: Db;
  readonly config: Config;
  readonly transport: MailCarrier;
}

/** Whether the mail server has heard nothing of a letter: nobody answered there. */
const isUnheard = (error: unknown): boolean => (error as { readonly command?: string }).command === 'CONN';

/**
 * Sends one stored message by SMTP. Its Message-ID comes from its own id, so that a second try after a crash
 * is the same mail to the receiver. Throws when the mail server does; the queue tries again, unless it has
 * no such receiver: the message has failed then.
 * @param lastTry marks the message as failed, so that its writer sees it.
 */
export async function sendMail(deps: MailDeps, messageId: string, lastTry = false): Promise<void> {
  const { db, config, transport } = deps;
  // From here on nobody takes it back; a second try after a crash finds it so.
  if (!(await store.claim(db, messageId))) return;
  const row = await store.outgoing(db, messageId);
  if (!row?.teacher_email) return;
  // What is more than one receiver is none: nothing goes out to whom nobody chose.
  if (!isOneAddress(row.teacher_email)) return store.markFailed(db, messageId);
  const files = await keptFiles(db, [messageId]);
  const mimeId = `<${row.id}@${config.mailDomain}>`;
  const reply = mailAddress(config, 'reply', row.thread_id);
  try {
    await transport.sendMail({
      messageId: mimeId,
      envelope: { from: mailAddress(config, 'back', row.id), to: row.teacher_email },
      from: { name: row.author, address: reply },
      replyTo: reply,
      to: { name: row.teacher_name, address: row.teacher_email },
      subject: row.subject,
      text: row.text,
      attachments: files.map(({ name, media_type, content }) => ({
        ...{ filename: name, contentType: media_type, content },
      })),
      ...(row.last_mime_id ? { inReplyTo: row.last_mime_id, references: [row.last_mime_id] } : {}),
    });
  } catch (error) {
    if (refusedReceiver(error)) return store.markFailed(db, messageId);
    if (lastTry) await store.markFailed(db, messageId);
    else if (isUnheard(error)) await store.release(db, messageId);
    throw error;
  }
  await store.markSent(db, messageId, mimeId);
}
