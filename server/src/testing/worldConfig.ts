import type { Config } from '../kit';
import { textKey, type SchoolProcess } from './school';

interface Where {
  readonly url: string;
  readonly port: number;
  readonly inboundMailKey: string;
  readonly school: Pick<SchoolProcess, 'url' | 'smtpUrl'>;
}

/** What a world's server is set up with: everything on loopback, and everything of it switched on. */
export const worldConfig = ({ url, port, inboundMailKey, school }: Where): Config => ({
  databaseUrl: url,
  port,
  host: '127.0.0.1',
  publicUrl: `http://127.0.0.1:${port}`,
  secret: 'a secret for the tests of the server alone',
  appDir: null,
  smtpUrl: school.smtpUrl,
  textGateway: { url: `${school.url}/texts`, key: textKey, timeoutMs: 500 },
  // Nothing on a busy machine takes as long; who tries patience has less.
  sourceTimeoutMs: 30_000,
  privateSources: true,
  bundleFolder: null,
  mailDomain: 'mail.cadro.example',
  inboundMailKey,
  mailVerdictHost: 'mx.mail.cadro.example',
  demoSchoolUrl: school.url,
  consent: null,
  retention: { mailDays: 180, leftDays: 730 },
  operatorPage: true,
  trustedProxies: false,
  sessions: { idleHours: 12, keptDays: 90 },
  queueLateMinutes: 15,
  metrics: { host: '127.0.0.1', server: null, worker: null },
  logLevel: 'silent',
});
