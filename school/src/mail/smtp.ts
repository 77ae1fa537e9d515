import { simpleParser, type AddressObject, type ParsedMail } from 'mailparser';
import { SMTPServer } from 'smtp-server';
import type { Simulation } from '../simulation';
import { comesBack, deliveryReport } from './comesBack';
import { mailboxes } from './teachers';

const firstAddress = (field: AddressObject | AddressObject[] | undefined): string =>
  [field ?? []].flat()[0]?.value[0]?.address?.toLowerCase() ?? '';

/** Where families have their mail; their boxes take all that comes. */
const familyDomains = ['aldervane.example', 'test.example'];
const isFamily = (address: string): boolean => familyDomains.some((domain) => address.endsWith(`@${domain}`));
/** What a mail program acts on, in the order in which it is shown. */
const shownHeaders = [
  ...['list-unsubscribe', 'list-unsubscribe-post', 'in-reply-to', 'references', 'auto-submitted'],
];

const headersOf = (mail: ParsedMail): Record<string, string> =>
  Object.fromEntries(
    mail.headerLines
      .filter(({ key }) => shownHeaders.includes(key))
      .map(({ key, line }) => [
        key,
        line
          .slice(key.length + 1)
          .replace(/\s+/g, ' ')
          .trim(),
      ]),
  );

/** What a mail brings for a calendar; empty for nothing. */
const calendarOf = ({ attachments }: ParsedMail): string =>
  attachments.find(({ contentType }) => contentType === 'text/calendar')?.content.toString('utf8') ?? '';

function arrive(simulation: Simulation, mail: ParsedMail, to: string): void {
  simulation.arrive({
    channel: 'mail',
    to,
    subject: mail.subject ?? '',
    text: mail.text ?? '',
    html: mail.html || '',
    calendar: calendarOf(mail),
    key: mail.messageId ?? '',
    headers: headersOf(mail),
    receivedAt: simulation.now,
  });
}

/**
 * The mail server of the schools and of the families: takes letters to teachers and offices and mail to guardians, and
 * refuses what is to anybody else. From some boxes a mail comes back later.
 * @param post takes what goes back to the sender.
 */
export function mailServer(simulation: Simulation, post: (mime: Buffer) => Promise<void>): SMTPServer {
  return new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    size: 10 * 1024 * 1024,
    onRcptTo({ address }, _session, callback) {
      const to = address.toLowerCase();
      const known = isFamily(to) || mailboxes.some((each) => each.address === to);
      callback(known ? null : Object.assign(new Error(`no mailbox ${address}`), { responseCode: 550 }));
    },
    onData(stream, { envelope }, callback) {
      simpleParser(stream).then(
        (mail) => {
          const messageId = mail.messageId ?? '';
          const to = firstAddress(mail.to);
          const status = comesBack(to);
          if (status && envelope.mailFrom) {
            const envelopeFrom = envelope.mailFrom.address;
            callback();
            deliveryReport({ envelopeFrom, to, status, messageId })
              .then(post)
              .catch((error: unknown) => console.error('a returned mail was not taken:', error));
            return;
          }
          if (isFamily(to)) {
            arrive(simulation, mail, to);
            return callback();
          }
          const again = simulation.letters.some((letter) => letter.messageId === messageId);
          if (!again) {
            simulation.receive({
              to,
              replyTo: firstAddress(mail.replyTo) || firstAddress(mail.from),
              subject: mail.subject ?? '',
              text: mail.text ?? '',
              messageId,
              receivedAt: simulation.now,
              answeredAt: null,
              ...(calendarOf(mail) ? { invitation: calendarOf(mail) } : {}),
            });
          }
          callback();
        },
        (error: Error) => callback(error),
      );
    },
  });
}
