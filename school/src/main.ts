import { createServer } from 'node:http';
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

/** The simulated schools and their mail server, on loopback. */
function main(): void {
  const port = Number(need('SCHOOL_PORT'));
  const simulation = new Simulation(process.env['SCHOOL_STATE_FILE'] ?? null);
  const inbound = { url: need('SCHOOL_INBOUND_MAIL_URL'), key: need('SCHOOL_INBOUND_MAIL_KEY') };
  const http = createServer(
    schoolApp(simulation, inbound, () => `http://127.0.0.1:${port}`, need('SCHOOL_TEXT_KEY')),
  );
  const mail = mailServer(simulation, (mime) => postMail(inbound, mime));
  http.keepAliveTimeout = keepAliveMs;
  http.listen(port, '127.0.0.1');
  mail.listen(Number(need('SCHOOL_SMTP_PORT')), '127.0.0.1');
  const stop = (): void => {
    mail.close();
    http.close(() => process.exit(0));
    http.closeAllConnections();
  };
  process.once('SIGTERM', stop).once('SIGINT', stop);
}

main();
