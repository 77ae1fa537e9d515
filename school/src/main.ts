import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { schoolApp } from './app';
import { postMail } from './mail/provider';
import { mailServer } from './mail/smtp';
import { Simulation } from './simulation';

const need = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set`);
  return value;
};

/** Longer than a client keeps an idle connection, so that no request meets one that is just closing. */
const keepAliveMs = 65_000;

const portOf = (server: { address(): AddressInfo | string | null }): number => {
  const address = server.address();
  return typeof address === 'object' && address ? address.port : 0;
};

/**
 * The simulated schools and their mail server, on loopback. Port 0 lets the system choose; a parent process is told
 * which, once both are there.
 */
async function main(): Promise<void> {
  const simulation = new Simulation(process.env['SCHOOL_STATE_FILE'] ?? null);
  const inbound = { url: need('SCHOOL_INBOUND_MAIL_URL'), key: need('SCHOOL_INBOUND_MAIL_KEY') };
  const http: Server = createServer(
    schoolApp(simulation, inbound, () => `http://127.0.0.1:${portOf(http)}`, need('SCHOOL_TEXT_KEY')),
  );
  const mail = mailServer(simulation, (mime) => postMail(inbound, mime));
  // A sender that is gone in the middle of a mail is no reason to end.
  mail.on('error', (error: Error) => console.error('mail broke off:', error.message));
  http.keepAliveTimeout = keepAliveMs;
  const web = http.listen(Number(need('SCHOOL_PORT')), '127.0.0.1');
  const post = mail.listen(Number(need('SCHOOL_SMTP_PORT')), '127.0.0.1');
  const stop = (): void => {
    mail.close();
    http.close(() => process.exit(0));
    http.closeAllConnections();
  };
  process.once('SIGTERM', stop).once('SIGINT', stop);
  await Promise.all([once(web, 'listening'), once(post, 'listening')]);
  console.log('listening');
  process.send?.({ port: portOf(web), smtpPort: portOf(post) });
}

void main();
