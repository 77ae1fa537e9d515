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

/** Whether it was about whom a mail is to, or what it says: the mail server is well. */
const isOfOneMail = (error: unknown): boolean =>
  error instanceof Error && 'code' in error && (error.code === 'EENVELOPE' || error.code === 'EMESSAGE');

/** A mail server that takes nothing from anybody is told of, and not one mail that it refuses. */
export class WatchedMail implements MailCarrier {
  failingSince: Date | null = null;

  constructor(private readonly transport: MailCarrier) {}

  async sendMail(mail: SendMailOptions): Promise<void> {
    try {
      await this.transport.sendMail(mail);
      this.failingSince = null;
    } catch (error) {
      if (isOfOneMail(error)) this.failingSince = null;
      else this.failingSince ??= await systemClock.now();
      throw error;
    }
  }
}
