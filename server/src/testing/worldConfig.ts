import { readConfig, type Config } from '../kit';
import { textKey, type SchoolProcess } from './school';

interface Where {
  readonly url: string;
  readonly port: number;
  readonly inboundMailKey: string;
  readonly school: Pick<SchoolProcess, 'url' | 'smtpUrl'>;
}

/** What a world's server is set up with, by the settings of any other: on loopback, with everything of it switched on. */
export const worldConfig = ({ url, port, inboundMailKey, school }: Where): Config => ({
  ...readConfig({
    DATABASE_URL: url,
    CADRO_PORT: String(port),
    CADRO_SECRET: 'a secret for the tests of the server alone',
    CADRO_INBOUND_MAIL_KEY: inboundMailKey,
    SMTP_URL: school.smtpUrl,
  }),
  textGateway: { url: `${school.url}/texts`, key: textKey, timeoutMs: 500 },
  // Nothing on a busy machine takes as long; who tries patience has less.
  sourceTimeoutMs: 30_000,
  privateSources: true,
  mailDomain: 'mail.cadro.example',
  mailVerdictHost: 'mx.mail.cadro.example',
  demoSchoolUrl: school.url,
  operatorPage: true,
  // Letters go at once; what is held back is tried by itself.
  letterHoldSeconds: 0,
  logLevel: 'silent',
});
