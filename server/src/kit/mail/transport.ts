import { createTransport, type SendMailOptions } from 'nodemailer';
import type { Config } from '../config';
import { systemClock } from '../db';

/** A mail server that says nothing for as long is away; the address may say otherwise. */
const patienceMs = { connectionTimeout: '10000', greetingTimeout: '10000', socketTimeout: '30000' } as const;

/** What takes a mail to the mail server. */
export interface MailCarrier {
  sendMail(mail: SendMailOptions): Promise<unknown>;
}

export function mailTransport({ smtpUrl }: Config): MailCarrier {
  const url = new URL(smtpUrl);
  for (const [name, ms] of Object.entries(patienceMs)) {
    if (!url.searchParams.has(name)) url.searchParams.set(name, ms);
  }
  return createTransport(url.toString());
}

/** Of RFC 3834: nobody has written it, and no program need answer it. */
export const ofAMachine = { 'Auto-Submitted': 'auto-generated' } as const;

/** Whether it was about whom a mail is to, or what it says: the mail server is well. */
const isOfOneMail = (error: unknown): boolean =>
  error instanceof Error && 'code' in error && (error.code === 'EENVELOPE' || error.code === 'EMESSAGE');

/** What to do about a mail server that takes nothing, as far as its error says it. */
function remedyOf(error: unknown): string {
  const { message = '', code = '' } = error as { readonly message?: string; readonly code?: string };
  if (/certificate|altnames|self.signed/i.test(message))
    return 'its certificate is not trusted; give NODE_EXTRA_CA_CERTS the file of who has signed it, and SMTP_URL the name that stands in it';
  if (code === 'EAUTH') return 'it refuses the user or the password in SMTP_URL';
  if (/wrong version number|STARTTLS/i.test(message))
    return 'smtps:// is for ports that speak TLS at once (465), smtp:// for those that begin without (587, 25): correct SMTP_URL';
  return 'is SMTP_URL right, and is it there?';
}

/** A mail server that takes nothing from anybody is told of, and not one mail that it refuses. */
export class WatchedMail implements MailCarrier {
  failingSince: Date | null = null;

  /** @param tell hears of it when it begins, with what to do about it, and when it is over. */
  constructor(
    private readonly transport: MailCarrier,
    private readonly tell: (what: string, error?: unknown) => void = () => undefined,
  ) {}

  private isWell(): void {
    if (this.failingSince) this.tell('the mail server takes mail again');
    this.failingSince = null;
  }

  async sendMail(mail: SendMailOptions): Promise<void> {
    try {
      await this.transport.sendMail(mail);
      this.isWell();
    } catch (error) {
      if (isOfOneMail(error)) this.isWell();
      else {
        if (!this.failingSince) this.tell(`the mail server takes no mail: ${remedyOf(error)}`, error);
        this.failingSince ??= await systemClock.now();
      }
      throw error;
    }
  }
}
