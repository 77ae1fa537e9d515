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
  /** Domain of the reply addresses; mail for it is posted to /api/inbound-mail. */
  readonly mailDomain: string;
  /** What the mail provider authenticates with when it posts mail. */
  readonly inboundMailKey: string;
  /** Address of the simulated schools; set in demo mode only. */
  readonly demoSchoolUrl: string | null;
  readonly logLevel: string;
}

/** What the environment has wrong, in one line that names the variable. */
export class ConfigError extends Error {
  override readonly name = 'ConfigError';
  readonly code = 'config-missing';
}

export function readConfig(env: NodeJS.ProcessEnv): Config {
  const need = (name: string): string => {
    const value = env[name];
    if (!value) throw new ConfigError(`${name} is not set; docs/operations.md lists what the server needs`);
    return value;
  };
  const number = (name: string, usual: number, most: number): number => {
    const value = Number(env[name] ?? usual);
    if (!Number.isInteger(value) || value < 0 || value > most)
      throw new ConfigError(`${name} must be a number from 0 to ${most}`);
    return value;
  };
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
    smtpUrl: need('SMTP_URL'),
    textGateway: env['TEXT_GATEWAY_URL']
      ? { url: env['TEXT_GATEWAY_URL'], key: need('TEXT_GATEWAY_KEY'), timeoutMs: 10_000 }
      : null,
    sourceTimeoutMs: number('CADRO_SOURCE_TIMEOUT_MS', 15_000, 600_000),
    mailDomain: env['CADRO_MAIL_DOMAIN'] ?? 'mail.cadro.example',
    inboundMailKey: need('CADRO_INBOUND_MAIL_KEY'),
    demoSchoolUrl: env['CADRO_DEMO_SCHOOL_URL'] ?? null,
    logLevel: env['CADRO_LOG_LEVEL'] ?? 'info',
  };
}
