import { readAnswer, readsAutomatic } from '@cadro/core/answered';
import { readReply, type InvitationReply } from '@cadro/core/ical';
import { createHash } from 'node:crypto';
import { simpleParser, type ParsedMail } from 'mailparser';
import { isAutomatic, senderVerdict, type Verdict } from '../../kit';
import { enclosedIn, type Enclosed } from './enclosed';
import { keepableText } from './keepableText';
import { broughtTo, receiversOf } from './receivers';

/** A mail that came in, as far as whoever it is for needs it. */
export interface Incoming {
  /** Every address it is to. */
  readonly to: readonly string[];
  /** Every address it was brought to, as the servers on its way wrote it down. */
  readonly broughtTo: readonly string[];
  readonly sender: string;
  /** What the trusted provider found out about its sender. */
  readonly verdict: Verdict;
  readonly automatic: boolean;
  /** Its own id, or one made of what it says: played again it is the same mail. */
  readonly id: string;
  readonly subject: string;
  /** What it says, without the letter it answers; empty where it says nothing. */
  readonly said: string;
  readonly files: readonly Enclosed[];
  /** What a calendar answers in it to an invitation; null where none does. */
  readonly reply: InvitationReply | null;
}

export interface IncomingAsk {
  readonly raw: Uint8Array;
  /** The provider's name in its findings about senders; null where none is known. */
  readonly trustedHost: string | null;
  /** Whether this is the beginning of a larger one. */
  readonly cut?: boolean;
}

const senderOf = ({ from }: ParsedMail): string => from?.value[0]?.address?.toLowerCase() ?? '';

const idOf = (mail: ParsedMail): string => {
  if (mail.messageId) return mail.messageId;
  const said = [senderOf(mail), mail.date?.toISOString() ?? '', mail.subject ?? '', mail.text ?? mail.html];
  return `<${createHash('sha256').update(JSON.stringify(said)).digest('hex')}@no-id.invalid>`;
};

/** The answer of a calendar among what is enclosed. */
const replyIn = ({ attachments }: ParsedMail): InvitationReply | null => {
  const calendars = attachments.filter(({ contentType }) =>
    /^(text\/calendar|application\/ics)$/i.test(contentType),
  );
  for (const { content } of calendars.slice(0, mostCalendars)) {
    const reply = readReply(content.toString('utf8'));
    if (reply) return reply;
  }
  return null;
};
/** Mail programs enclose an answer once, or twice in two forms. */
const mostCalendars = 4;

/** Reads a mail whole: what it costs its sender decides, so that it is read where it can be ended. */
export async function incomingOf({ raw, trustedHost, cut = false }: IncomingAsk): Promise<Incoming> {
  const mail = await simpleParser(Buffer.from(raw), {
    ...{ skipHtmlToText: true, skipTextToHtml: true, skipImageLinks: true },
  });
  const sender = senderOf(mail);
  const subject = keepableText(mail.subject ?? '');
  const said = keepableText(readAnswer({ text: mail.text ?? '', html: mail.html || '' }));
  return {
    to: receiversOf(mail),
    broughtTo: broughtTo(mail),
    sender,
    verdict: senderVerdict(mail, trustedHost, sender),
    automatic: isAutomatic(mail) || readsAutomatic({ subject, said }),
    id: idOf(mail),
    ...{ subject, said, files: await enclosedIn(mail.attachments, cut), reply: replyIn(mail) },
  };
}
