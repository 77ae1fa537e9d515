import express, { type RequestHandler, type Router } from 'express';
import { simpleParser } from 'mailparser';
import { deliveryReturned } from '../alerts';
import { type AddressKind, HttpProblem, idOfAddress, newRouter, sameText, type ServerDeps } from '../kit';
import { invitationReturned, receiveReply } from '../meetings';
import { letterReturned, receiveAnswer, receiveFirst } from '../messages';
import { broughtTo, incomingMail, receiveForwarded, receiversOf, returnedOf } from '../sources';

/** The id in the first address of a kind that a mail is to. */
const idFor = ({ config }: ServerDeps, kind: AddressKind, to: readonly string[]): string | null =>
  to.map((address) => idOfAddress(config.secret, kind, address)).find((id) => id !== null) ?? null;

/** So much of a mail is read. */
const mostRead = 10_000_000;

/** So long the lines above a mail's words are at most. */
const longestHeaders = 64 * 1024;
/** A mail's headers alone: to whom it is decides where the rest of it is read. */
function headersOf(raw: Buffer): Buffer {
  const head = raw.subarray(0, longestHeaders);
  const ends = [head.indexOf('\r\n\r\n'), head.indexOf('\n\n')].filter((at) => at >= 0);
  return head.subarray(0, Math.min(...ends, head.length));
}

/**
 * Takes in what a family forwards, a teacher's answer, a guest's, or word that something could not be brought.
 * @returns whether it was one of them.
 */
async function receive(deps: ServerDeps, whole: Buffer): Promise<boolean> {
  // What is said stands before what is enclosed: of a mail with large enclosures its beginning is read.
  const raw = whole.subarray(0, mostRead);
  const headers = await simpleParser(headersOf(raw));
  const to = receiversOf(headers);
  const householdId = idFor(deps, 'family', to);
  const whose = householdId ?? to[0] ?? broughtTo(headers)[0] ?? '';
  const mail = await incomingMail(deps, whose, {
    ...{ raw, trustedHost: deps.config.mailVerdictHost, cut: whole.length > mostRead },
  });
  if (householdId !== null) {
    // What a teacher writes to the family is a letter; what the family passes on to itself is not.
    if (mail && (await receiveFirst(deps, householdId, mail))) return true;
    return receiveForwarded(deps, householdId, raw);
  }
  if (!mail) throw new HttpProblem('unreadable-file');
  const addressed = idFor(deps, 'reply', mail.to);
  // Written to another address, and brought to the thread's all the same: by a list, or a forwarding teacher.
  const threadId = addressed ?? idFor(deps, 'reply', mail.broughtTo);
  if (threadId !== null) return receiveAnswer(deps, threadId, { ...mail, addressed: addressed !== null });
  const guestId = idFor(deps, 'meeting', [...mail.to, ...mail.broughtTo]);
  if (guestId !== null) return receiveReply(deps, guestId, mail);
  const sentId = idFor(deps, 'back', [...mail.to, ...mail.broughtTo]);
  if (sentId === null) return false;
  const returned = await returnedOf(deps, whose, raw);
  // Word that it is late, or an answer that a machine wrote, changes nothing.
  if (!returned) return true;
  return (
    (await deliveryReturned(deps, sentId, returned)) ||
    (await letterReturned(deps.db, sentId)) ||
    invitationReturned(deps, sentId)
  );
}

/** Where the mail provider posts raw MIME messages, with the key it was given; 422 for a mail to no address of ours. */
export function inboundMailRouter(deps: ServerDeps): Router {
  const router = newRouter(deps);
  const raw = express.raw({ type: 'message/rfc822', limit: '40mb' });
  /** Nothing of a mail is read before the key has been looked at. */
  const keyed: RequestHandler = (request, response, next) => {
    response.locals['route'] = '/api/inbound-mail';
    const key = (request.get('authorization') ?? '').replace(/^Bearer /, '');
    if (!sameText(key, deps.config.inboundMailKey)) throw new HttpProblem('not-signed-in');
    next();
  };
  router.post('/api/inbound-mail', keyed, raw, async (request, response) => {
    if (!Buffer.isBuffer(request.body)) throw new HttpProblem('bad-request');
    if (!(await receive(deps, request.body))) throw new HttpProblem('unknown-thread');
    response.status(202).end();
  });
  return router;
}
