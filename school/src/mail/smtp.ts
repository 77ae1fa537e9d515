import { simpleParser, type AddressObject } from 'mailparser';
import { SMTPServer } from 'smtp-server';
import type { Simulation } from '../simulation';
import { mailboxes } from './teachers';

const firstAddress = (field: AddressObject | AddressObject[] | undefined): string =>
  [field ?? []].flat()[0]?.value[0]?.address?.toLowerCase() ?? '';

/** The schools' mail server: takes letters to its teachers and offices, and refuses those to anybody else. */
export function mailServer(simulation: Simulation): SMTPServer {
  return new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    size: 10 * 1024 * 1024,
    onRcptTo({ address }, _session, callback) {
      const known = mailboxes.some((each) => each.address === address.toLowerCase());
      callback(known ? null : Object.assign(new Error(`no mailbox ${address}`), { responseCode: 550 }));
    },
    onData(stream, _session, callback) {
      simpleParser(stream).then(
        (mail) => {
          const messageId = mail.messageId ?? '';
          const again = simulation.letters.some((letter) => letter.messageId === messageId);
          if (!again) {
            simulation.receive({
              to: firstAddress(mail.to),
              replyTo: firstAddress(mail.replyTo) || firstAddress(mail.from),
              subject: mail.subject ?? '',
              text: mail.text ?? '',
              messageId,
              receivedAt: simulation.now,
              answeredAt: null,
            });
          }
          callback();
        },
        (error: Error) => callback(error),
      );
    },
  });
}
