import { createTransport, type Transporter } from 'nodemailer';
import type { Config } from '../config';

/** A mail server that says nothing for as long is away; the address may say otherwise. */
const patienceMs = { connectionTimeout: '10000', greetingTimeout: '10000', socketTimeout: '30000' } as const;

export function mailTransport({ smtpUrl }: Config): Transporter {
  const url = new URL(smtpUrl);
  for (const [name, ms] of Object.entries(patienceMs)) {
    if (!url.searchParams.has(name)) url.searchParams.set(name, ms);
  }
  return createTransport(url.toString());
}
