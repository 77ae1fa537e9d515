import { createHash } from 'node:crypto';
import { simpleParser, type AddressObject, type ParsedMail } from 'mailparser';
import { isAutomatic, senderVerdict, type Verdict } from '../../kit';

/** A mail that came in, as far as whoever it is for needs it. */
export interface Incoming {
  /** Every address it is to. */
  readonly to: readonly string[];
  readonly sender: string;
  /** What the trusted provider found out about its sender. */
  readonly verdict: Verdict;
  readonly automatic: boolean;
  /** Its own id, or one made of what it says: played again it is the same mail. */
  readonly id: string;
  readonly subject: string;
  readonly text: string;
}

export interface IncomingAsk {
  readonly raw: Uint8Array;
  /** The provider's name in its findings about senders; null where none is known. */
  readonly trustedHost: string | null;
}

const addressesIn = (field: AddressObject | AddressObject[] | undefined): string[] =>
  [field ?? []].flat().flatMap(({ value }) => value.flatMap(({ address }) => (address ? [address] : [])));

/** To whom a mail is. */
export const receiversOf = ({ to, cc }: Pick<ParsedMail, 'to' | 'cc'>): string[] => [
  ...addressesIn(to),
  ...addressesIn(cc),
];

const senderOf = ({ from }: ParsedMail): string => from?.value[0]?.address?.toLowerCase() ?? '';

const idOf = (mail: ParsedMail): string => {
  if (mail.messageId) return mail.messageId;
  const said = [senderOf(mail), mail.date?.toISOString() ?? '', mail.subject ?? '', mail.text ?? ''];
  return `<${createHash('sha256').update(JSON.stringify(said)).digest('hex')}@no-id.invalid>`;
};

/** Reads a mail whole: what it costs its sender decides, so that it is read where it can be ended. */
export async function incomingOf({ raw, trustedHost }: IncomingAsk): Promise<Incoming> {
  const mail = await simpleParser(Buffer.from(raw));
  const sender = senderOf(mail);
  return {
    to: receiversOf(mail),
    sender,
    verdict: senderVerdict(mail, trustedHost, sender),
    automatic: isAutomatic(mail),
    id: idOf(mail),
    subject: mail.subject ?? '',
    text: (mail.text ?? '').replaceAll('\u0000', ''),
  };
}
