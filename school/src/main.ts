import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { schoolApp } from './app';
import { postMail, type InboundMail } from './mail/provider';
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

interface Opened {
  readonly port: number;
  readonly smtpPort: number;
  /** Hangs up on everybody. @returns when the last has gone. */
  close(): Promise<void>;
}

/** The simulated schools and their mail server, on loopback. Port 0 lets the system choose. */
async function open(
  simulation: Simulation,
  inbound: InboundMail,
  { port, smtpPort }: { port: number; smtpPort: number },
): Promise<Opened> {
  const http: Server = createServer(
    schoolApp(simulation, inbound, () => `http://127.0.0.1:${portOf(http)}`, need('SCHOOL_TEXT_KEY')),
  );
  const mail = mailServer(simulation, (mime) => postMail(inbound, mime));
  // A sender that is gone in the middle of a mail is no reason to end.
  mail.on('error', (error: Error) => console.error('mail broke off:', error.message));
  http.keepAliveTimeout = keepAliveMs;
  const web = http.listen(port, '127.0.0.1');
  const post = mail.listen(smtpPort, '127.0.0.1');
  await Promise.all([once(web, 'listening'), once(post, 'listening')]);
  return {
    ...{ port: portOf(web), smtpPort: portOf(post) },
    close: () =>
      new Promise((done) => {
        mail.close();
        http.close(() => done());
        http.closeAllConnections();
      }),
  };
}

/** One place with the schools, where and with what it is told to; it keeps what the family did. */
async function main(): Promise<void> {
  const simulation = new Simulation(process.env['SCHOOL_STATE_FILE'] ?? null);
  const inbound = { url: need('SCHOOL_INBOUND_MAIL_URL'), key: need('SCHOOL_INBOUND_MAIL_KEY') };
  const ports = { port: Number(need('SCHOOL_PORT')), smtpPort: Number(need('SCHOOL_SMTP_PORT')) };
  const { close } = await open(simulation, inbound, ports);
  const stop = (): void => void close().then(() => process.exit(0));
  process.once('SIGTERM', stop).once('SIGINT', stop);
  console.log('listening');
}

/** What a parent process asks for, by a number of its own: schools as on the first day, or the end of those. */
type Asked = { readonly nth: number } & ({ readonly open: InboundMail } | { readonly close: true });

/** As many places as a parent process likes, each with schools of its own and forgotten when it is closed; ends with it. */
function serveParent(): void {
  const places = new Map<number, Promise<Opened>>();
  process.on('message', (asked: Asked) => {
    const { nth } = asked;
    if ('close' in asked) {
      void places.get(nth)?.then(({ close }) => close());
      places.delete(nth);
      return;
    }
    const place = open(new Simulation(null), asked.open, { port: 0, smtpPort: 0 });
    places.set(nth, place);
    void place.then(({ port, smtpPort }) => process.send?.({ nth, port, smtpPort }));
  });
  process.once('disconnect', () => process.exit(0));
}

if (process.send) serveParent();
else void main();
