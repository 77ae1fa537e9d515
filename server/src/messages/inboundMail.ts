import EmailReplyParser from 'email-reply-parser';
import express, { Router } from 'express';
import { simpleParser, type AddressObject, type ParsedMail } from 'mailparser';
import { markAnswered } from '../followups';
import type { ServerDeps } from '../http/app';
import { HttpProblem } from '../http/problems';
import { sameText } from '../seal';
import { threadOfAddress } from './replyAddress';
import * as store from './store';

const longestAnswer = 20_000;

const addressesIn = (field: AddressObject | AddressObject[] | undefined): string[] =>
  [field ?? []].flat().flatMap(({ value }) => value.flatMap(({ address }) => (address ? [address] : [])));

/** What the teacher wrote, without the quoted letter below it. */
function visibleText(mail: ParsedMail): string {
  const text = (mail.text ?? '').replaceAll('\u0000', '');
  const visible = new EmailReplyParser().read(text).getVisibleText().trim();
  return (visible || text.trim() || '—').slice(0, longestAnswer);
}

/**
 * Puts a teacher's answer into its thread. Receiving the same mail twice is receiving it once.
 * @throws HttpProblem 422 when the address names no thread, its signature is forged, or the sender is not
 * the thread's teacher; nothing is written then.
 */
export async function receiveMail({ db, clock, config }: ServerDeps, raw: Buffer): Promise<void> {
  const mail = await simpleParser(raw);
  const addresses = [...addressesIn(mail.to), ...addressesIn(mail.cc)];
  const threadId = addresses.map((address) => threadOfAddress(config.secret, address)).find(Boolean);
  if (!threadId) throw new HttpProblem('unknown-thread');
  const now = await clock.now();
  await db.transaction(async (trx) => {
    const thread = await store.threadById(trx, threadId);
    const sender = addressesIn(mail.from)[0]?.toLowerCase();
    if (!thread || sender !== thread.teacher_email?.toLowerCase()) throw new HttpProblem('unknown-thread');
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
    if (stored) await markAnswered(trx, thread.id, { author: thread.teacher_name, text, now });
  });
}

/** Where the mail provider posts raw MIME messages, with the key it was given. */
export function inboundMailRouter(deps: ServerDeps): Router {
  const router = Router();
  const raw = express.raw({ type: 'message/rfc822', limit: '10mb' });
  router.post('/api/inbound-mail', raw, async (request, response) => {
    const key = (request.get('authorization') ?? '').replace(/^Bearer /, '');
    if (!sameText(key, deps.config.inboundMailKey)) throw new HttpProblem('not-signed-in');
    if (!Buffer.isBuffer(request.body)) throw new HttpProblem('bad-request');
    await receiveMail(deps, request.body);
    response.status(202).end();
  });
  return router;
}
