import { proposalsOf, plainSubject, unforward, type Proposal } from '@cadro/core/forwarded';
import type { Language } from '@cadro/contract';
import { simpleParser } from 'mailparser';
import { returnedMail, type Returned } from '../../kit';
import { lookedAt, type Enclosed, type FileGiven } from './enclosed';
import { incomingOf, type Incoming, type IncomingAsk } from './incoming';
import { keepableText } from './keepableText';

export interface MailAsk {
  readonly raw: Uint8Array;
  readonly lang: Language;
  /** The day on which it came, where its reader lives. */
  readonly today: string;
}

/** What is kept of a mail that a family forwards. */
export interface ReadMail {
  readonly from: string;
  readonly subject: string;
  readonly text: string;
  readonly proposals: readonly Proposal[];
}

const longest = { text: 60_000, html: 400_000, line: 300 } as const;
const oneLine = (text: string): string => text.replace(/\s+/g, ' ').trim().slice(0, longest.line);

/** Reads a mail as it came: who wrote it first, what about, and what it seems to say of work. */
export const read = async ({ raw, lang, today }: MailAsk): Promise<ReadMail> => {
  const mail = await simpleParser(Buffer.from(raw), { skipImageLinks: true, skipTextToHtml: true });
  const inner = unforward((mail.text ?? '').slice(0, longest.text));
  const html = typeof mail.html === 'string' ? mail.html.slice(0, longest.html) : '';
  const text = keepableText(inner.text);
  return {
    from: oneLine(keepableText(inner.from ?? mail.from?.text ?? '')),
    subject: oneLine(keepableText(plainSubject(inner.subject ?? mail.subject ?? ''))),
    text,
    proposals: proposalsOf({ text, html: keepableText(html) }, { lang, today }),
  };
};

/** The files of a letter that is to go out, each looked at for what it is. */
export const files = (given: readonly FileGiven[]): Promise<Enclosed[]> =>
  lookedAt(
    given.map(({ name, bytes }) => ({ filename: name, contentType: '', content: Buffer.from(bytes) })),
  );

/** A mail to a thread, or about one that could not be brought. */
export const incoming = (ask: IncomingAsk): Promise<Incoming> => incomingOf(ask);

/** What a mail server says of a mail; null where it is no word of one. */
export const returned = (raw: Uint8Array): Promise<Returned | null> => returnedMail(Buffer.from(raw));
