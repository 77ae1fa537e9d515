import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { schoolApp } from './app';
import { postMail, type InboundMail } from './mail/provider';
import { mailServer } from './mail/smtp';
import { Simulation } from './simulation';

/** Longer than a client keeps an idle connection, so that no request meets one that is just closing. */
const keepAliveMs = 65_000;

const portOf = (server: { address(): AddressInfo | string | null }): number => {
  const address = server.address();
  return typeof address === 'object' && address ? address.port : 0;
};

/** What one set of simulated schools is opened with. */
export interface PlaceOptions {
  /** Where the teachers' answers are delivered. */
  readonly inbound: InboundMail;
  /** The key that the text gateway asks for. */
  readonly textKey: string;
  /** The file that keeps what the family did, or null for schools as on the first day that are forgotten. */
  readonly stateFile: string | null;
  /** 0 lets the system choose a port. */
  readonly port: number;
  readonly smtpPort: number;
}

/** One set of simulated schools that is listening. */
export interface Place {
  readonly port: number;
  readonly smtpPort: number;
  /** Hangs up on everybody, and resolves when the last connection has ended. */
  close(): Promise<void>;
}

/** Opens the simulated schools and their mail server on loopback. */
export async function openPlace({
  inbound,
  textKey,
  stateFile,
  port,
  smtpPort,
}: PlaceOptions): Promise<Place> {
  const simulation = new Simulation(stateFile);
  const http: Server = createServer(
    schoolApp(simulation, inbound, () => `http://127.0.0.1:${portOf(http)}`, textKey),
  );
  const mail = mailServer(simulation, (mime) => postMail(inbound, mime));
  // A sender that disconnects in the middle of a mail must not end the process.
  mail.on('error', (error: Error) => console.error('mail broke off:', error.message));
  http.keepAliveTimeout = keepAliveMs;
  const web = http.listen(port, '127.0.0.1');
  const post = mail.listen(smtpPort, '127.0.0.1');
  await Promise.all([once(web, 'listening'), once(post, 'listening')]);
  return {
    port: portOf(web),
    smtpPort: portOf(post),
    close: () =>
      new Promise((done) => {
        mail.close();
        http.close(() => done());
        http.closeAllConnections();
      }),
  };
}
