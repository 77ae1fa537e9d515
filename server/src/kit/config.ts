import { isIP } from 'node:net';

/** Everything the environment decides, read once at start. */
export interface Config {
  readonly databaseUrl: string;
  readonly port: number;
  /** Address to listen at; loopback, behind a proxy that speaks TLS, unless it says otherwise. */
  readonly host: string;
  /** Address the browser uses; writes from other origins are refused. */
  readonly publicUrl: string;
  /** Seals sessions, stored credentials and reply addresses. At least 32 characters. */
  readonly secret: string;
  readonly appDir: string | null;
  readonly smtpUrl: string;
  /** Where text messages go out; null where none can be sent. */
  readonly textGateway: { readonly url: string; readonly key: string; readonly timeoutMs: number } | null;
  /** How long a school's system may take over one answer. */
  readonly sourceTimeoutMs: number;
  /** Whether a source may be at an address of this machine or its network. */
  readonly privateSources: boolean;
  /** Where schools’ files are laid down, each school’s in a folder of its name; null: nowhere. */
  readonly bundleFolder: string | null;
  /** Domain of the reply addresses; mail for it is posted to /api/inbound-mail. */
  readonly mailDomain: string;
  /** What the mail provider authenticates with when it posts mail. */
  readonly inboundMailKey: string;
  /**
   * The name under which the mail provider adds what it found out about a sender (Authentication-Results); null: no
   * answer can be confirmed to be from whom it says.
   */
  readonly mailVerdictHost: string | null;
  /** Address of the simulated schools; set in demo mode only. */
  readonly demoSchoolUrl: string | null;
  /** What everybody is asked to agree to before they see a record, by its edition, and where it can be read. */
  readonly consent: { readonly version: string; readonly url: string } | null;
  /**
   * Proxies whose word on the caller's address and protocol is taken: how many stand in front, or their addresses and
   * networks; false: none.
   */
  readonly trustedProxies: number | readonly string[] | false;
  /** How long a sign-in lasts: unused, and at most for who asked to be kept signed in. */
  readonly sessions: { readonly idleHours: number; readonly keptDays: number };
  /** How long, in days, is kept what was sent, and the record of a child who has left and whom nobody sees any more. */
  readonly retention: { readonly mailDays: number; readonly leftDays: number };
  /** Whether those who run this Cadro have a place of theirs in it. */
  readonly operatorPage: boolean;
  /** How long, in seconds, a letter waits before it goes out, so that it can be taken back. */
  readonly letterHoldSeconds: number;
  /** After how long, in minutes, a job that waits for its turn is a fault. */
  readonly queueLateMinutes: number;
  /** Where the figures of operation can be read, each process at a port of its own; null: nowhere. */
  readonly metrics: { readonly host: string; readonly server: number | null; readonly worker: number | null };
  readonly logLevel: string;
}

/** What the environment has wrong, in one line that names the variable. */
export class ConfigError extends Error {
  override readonly name = 'ConfigError';
  readonly code = 'config-missing';
}

const isNetwork = (text: string): boolean => {
  const [address = '', bits, ...more] = text.split('/');
  const most = isIP(address) === 6 ? 128 : 32;
  return (
    isIP(address) > 0 &&
    more.length === 0 &&
    (bits === undefined || (/^\d+$/.test(bits) && Number(bits) <= most))
  );
};

/** `2` counts hops; `10.0.0.5, 192.168.0.0/16, loopback` names who they are. */
function proxiesOf(text: string): Config['trustedProxies'] {
  const each = text
    .split(',')
    .map((part) => part.trim())
    .filter((part) => part !== '');
  if (each.length === 0) return false;
  if (each.length === 1 && /^\d{1,2}$/.test(each[0] ?? '')) return Number(each[0]) || false;
  const wrong = each.find(
    (part) => !isNetwork(part) && !['loopback', 'linklocal', 'uniquelocal'].includes(part),
  );
  if (wrong) throw new ConfigError(`CADRO_TRUSTED_PROXIES: ${wrong} is neither an address nor a network`);
  return each;
}

function needed(env: NodeJS.ProcessEnv, name: string): string {
  const value = env[name];
  if (!value) throw new ConfigError(`${name} is not set; docs/operations.md lists what the server needs`);
  return value;
}

/** What bringing the tables to this version needs, and nothing else. */
export const databaseUrlOf = (env: NodeJS.ProcessEnv): string => needed(env, 'DATABASE_URL');

/**
 * @param by a process that runs, or a command: that one sends no mail and takes none in, and need not know how.
 */
export function readConfig(env: NodeJS.ProcessEnv, by: 'process' | 'command' = 'process'): Config {
  const need = (name: string): string => needed(env, name);
  const needOf = (name: string): string => (by === 'process' ? need(name) : (env[name] ?? ''));
  const number = (name: string, usual: number, most: number): number => {
    const value = Number(env[name] ?? usual);
    if (!Number.isInteger(value) || value < 0 || value > most)
      throw new ConfigError(`${name} must be a number from 0 to ${most}`);
    return value;
  };
  const optionalPort = (name: string): number | null => (env[name] ? number(name, 0, 65_535) : null);
  const secret = need('CADRO_SECRET');
  if (secret.length < 32) throw new ConfigError('CADRO_SECRET needs at least 32 characters');
  const port = number('CADRO_PORT', 4600, 65_535);
  return {
    databaseUrl: need('DATABASE_URL'),
    port,
    host: env['CADRO_HOST'] ?? '127.0.0.1',
    publicUrl: env['CADRO_PUBLIC_URL'] ?? `http://127.0.0.1:${port}`,
    secret,
    appDir: env['CADRO_APP_DIR'] ?? null,
    smtpUrl: needOf('SMTP_URL'),
    textGateway: env['TEXT_GATEWAY_URL']
      ? { url: env['TEXT_GATEWAY_URL'], key: need('TEXT_GATEWAY_KEY'), timeoutMs: 10_000 }
      : null,
    sourceTimeoutMs: number('CADRO_SOURCE_TIMEOUT_MS', 15_000, 600_000),
    privateSources: env['CADRO_PRIVATE_SOURCES'] === 'on',
    bundleFolder: env['CADRO_BUNDLE_FOLDER'] ?? null,
    mailDomain: env['CADRO_MAIL_DOMAIN'] ?? 'mail.cadro.example',
    inboundMailKey: needOf('CADRO_INBOUND_MAIL_KEY'),
    mailVerdictHost: env['CADRO_MAIL_VERDICT_HOST'] ?? null,
    consent: env['CADRO_CONSENT_VERSION']
      ? { version: env['CADRO_CONSENT_VERSION'], url: need('CADRO_CONSENT_URL') }
      : null,
    demoSchoolUrl: env['CADRO_DEMO_SCHOOL_URL'] ?? null,
    trustedProxies: proxiesOf(env['CADRO_TRUSTED_PROXIES'] ?? ''),
    sessions: {
      idleHours: number('CADRO_SESSION_IDLE_HOURS', 12, 24 * 30),
      keptDays: number('CADRO_SESSION_KEPT_DAYS', 90, 366),
    },
    retention: {
      mailDays: number('CADRO_KEEP_MAILS_DAYS', 180, 3660),
      leftDays: number('CADRO_KEEP_LEFT_DAYS', 730, 36_600),
    },
    operatorPage: env['CADRO_OPERATOR_PAGE'] === 'on',
    letterHoldSeconds: number('CADRO_LETTER_HOLD_SECONDS', 30, 600),
    queueLateMinutes: number('CADRO_QUEUE_LATE_MINUTES', 15, 1440),
    metrics: {
      host: env['CADRO_METRICS_HOST'] ?? '127.0.0.1',
      server: optionalPort('CADRO_METRICS_PORT'),
      worker: optionalPort('CADRO_WORKER_METRICS_PORT'),
    },
    logLevel: env['CADRO_LOG_LEVEL'] ?? 'info',
  };
}
