import { simpleParser, type ParsedMail } from 'mailparser';

/** Word of a mail server that a mail will not be brought. */
export interface Returned {
  /** Of RFC 3463, such as `5.1.1`; the code alone, such as `550`, from a server that says no more. */
  readonly status: string;
  /** Whether the address itself is at fault, so that no other mail would get there. */
  readonly noSuchAddress: boolean;
}

/**
 * Whether a status blames the address (no mailbox of this name, no such domain, one that has moved or is shut), and not
 * the mail, its sender or a full mailbox.
 */
const blamesAddress = (status: string): boolean => /^5\.(1\.(0|1|2|3|6|10)|2\.1)$/.test(status);

/** What an SMTP server's answer to `RCPT` comes to; null for an error that says nothing of the receiver, or may pass. */
export function refusedReceiver(error: unknown): Returned | null {
  const {
    code,
    responseCode = 0,
    response = '',
  } = error as {
    readonly code?: string;
    readonly responseCode?: number;
    readonly response?: string;
  };
  if (code !== 'EENVELOPE' || responseCode < 500) return null;
  const status = /\b5\.\d{1,3}\.\d{1,3}\b/.exec(response)?.[0];
  // From a server that says no more, a receiver it refuses is one that it has not.
  return status
    ? { status, noSuchAddress: blamesAddress(status) }
    : { status: String(responseCode), noSuchAddress: true };
}

/** A letter of ours has one receiver, and a report few groups beside. */
const mostGroups = 200;

/** The groups of fields in a report: first of the mail, then one for each receiver. */
const groupsOf = (report: string): Promise<ParsedMail[]> =>
  Promise.all(
    report
      .replaceAll('\r\n', '\n')
      .split(/\n[ \t]*\n/)
      .filter((group) => group.trim() !== '')
      .slice(0, mostGroups)
      .map((group) => simpleParser(`${group}\n\n`)),
  );

const field = (group: ParsedMail, name: string): string => {
  const value = group.headers.get(name);
  return typeof value === 'string' ? value.trim().toLowerCase() : '';
};

/** Of RFC 3463: undelivered, for no reason that has a number. */
const unsaid = '5.0.0';

/**
 * What a report says of the one it was sent to; null for a mail that is no report, or one that says that the mail has
 * been brought or is still under way.
 */
export async function returnedMail(raw: Buffer): Promise<Returned | null> {
  const mail = await simpleParser(raw, { keepDeliveryStatus: true });
  const report = mail.attachments.find(({ contentType }) => contentType === 'message/delivery-status');
  if (!report) return null;
  const groups = await groupsOf(report.content.toString('utf8'));
  const failed = groups.find((group) => field(group, 'action').split(/[\s;(]/)[0] === 'failed');
  if (!failed) return null;
  const told = /^[245]\.\d{1,3}\.\d{1,3}/.exec(field(failed, 'status'))?.[0] ?? unsaid;
  // Some servers know no more themselves than what the other one has said to them.
  const heard = /\b5\.\d{1,3}\.\d{1,3}\b/.exec(field(failed, 'diagnostic-code'))?.[0];
  const status = told === unsaid ? (heard ?? told) : told;
  return { status, noSuchAddress: blamesAddress(status) };
}
