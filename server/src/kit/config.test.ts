import { databaseUrlOf, readConfig } from './config';
import { hashCode, sameText, seal, unseal } from './seal';
import { idOfAddress, mailAddress } from './mail';

const whole = {
  DATABASE_URL: 'postgres://x',
  CADRO_SECRET: 'x'.repeat(32),
  SMTP_URL: 'smtp://x',
  CADRO_INBOUND_MAIL_KEY: 'k',
};

describe('the environment', () => {
  const usual = {
    databaseUrl: 'postgres://x',
    port: 4600,
    host: '127.0.0.1',
    publicUrl: 'http://127.0.0.1:4600',
    secret: whole.CADRO_SECRET,
    appDir: null,
    smtpUrl: 'smtp://x',
    textGateway: null,
    sourceTimeoutMs: 15_000,
    privateSources: false,
    bundleFolder: null,
    mailDomain: 'mail.cadro.example',
    inboundMailKey: 'k',
    mailVerdictHost: null,
    consent: null,
    retention: { mailDays: 180, leftDays: 730 },
    operatorPage: false,
    demoSchoolUrl: null,
    trustedProxies: false,
    sessions: { idleHours: 12, keptDays: 90 },
    letterHoldSeconds: 30,
    queueLateMinutes: 15,
    metrics: { host: '127.0.0.1', server: null, worker: null },
    logLevel: 'info',
  };
  it('needs less for a command, which neither sends mail nor takes it in', () => {
    const { SMTP_URL: _mail, CADRO_INBOUND_MAIL_KEY: _key, ...less } = whole;
    expect(readConfig(less, 'command')).toEqual({ ...usual, smtpUrl: '', inboundMailKey: '' });
    expect(() => readConfig(less)).toThrow('SMTP_URL is not set');
    expect(() => readConfig({ DATABASE_URL: 'postgres://x' }, 'command')).toThrow('CADRO_SECRET is not set');
    expect(databaseUrlOf({ DATABASE_URL: 'postgres://x' })).toBe('postgres://x');
    expect(() => databaseUrlOf({})).toThrow('DATABASE_URL is not set');
  });
  it('needs four things and has the rest by itself', () => expect(readConfig(whole)).toEqual(usual));
  it.each<[NodeJS.ProcessEnv, object]>([
    [{ CADRO_PORT: '8080' }, { port: 8080, publicUrl: 'http://127.0.0.1:8080' }],
    [{ CADRO_PORT: '0' }, { port: 0, publicUrl: 'http://127.0.0.1:0' }],
    [
      { CADRO_PORT: '65535', CADRO_PUBLIC_URL: 'https://c' },
      { port: 65_535, publicUrl: 'https://c' },
    ],
    [{ CADRO_HOST: '::1' }, { host: '::1' }],
    [
      { CADRO_CONSENT_VERSION: 'autumn', CADRO_CONSENT_URL: 'https://s.example/consent' },
      { consent: { version: 'autumn', url: 'https://s.example/consent' } },
    ],
    [{ CADRO_TRUSTED_PROXIES: '2' }, { trustedProxies: 2 }],
    [{ CADRO_TRUSTED_PROXIES: '0' }, { trustedProxies: false }],
    [
      { CADRO_TRUSTED_PROXIES: 'loopback, 10.0.0.0/8 ,fd00::1' },
      { trustedProxies: ['loopback', '10.0.0.0/8', 'fd00::1'] },
    ],
    [
      { CADRO_SESSION_IDLE_HOURS: '1', CADRO_SESSION_KEPT_DAYS: '30' },
      { sessions: { idleHours: 1, keptDays: 30 } },
    ],
    [
      { CADRO_KEEP_MAILS_DAYS: '30', CADRO_KEEP_LEFT_DAYS: '365' },
      { retention: { mailDays: 30, leftDays: 365 } },
    ],
    [{ CADRO_LETTER_HOLD_SECONDS: '0' }, { letterHoldSeconds: 0 }],
    [{ CADRO_QUEUE_LATE_MINUTES: '5' }, { queueLateMinutes: 5 }],
    [
      { CADRO_METRICS_PORT: '9464', CADRO_WORKER_METRICS_PORT: '9465', CADRO_METRICS_HOST: '10.0.0.2' },
      { metrics: { host: '10.0.0.2', server: 9464, worker: 9465 } },
    ],
    [{ CADRO_OPERATOR_PAGE: 'on' }, { operatorPage: true }],
    [{ CADRO_PRIVATE_SOURCES: 'on' }, { privateSources: true }],
    [{ CADRO_BUNDLE_FOLDER: '/srv/bundles' }, { bundleFolder: '/srv/bundles' }],
    [{ CADRO_APP_DIR: '/app' }, { appDir: '/app' }],
    [
      { TEXT_GATEWAY_URL: 'https://t', TEXT_GATEWAY_KEY: 'g' },
      { textGateway: { url: 'https://t', key: 'g', timeoutMs: 10_000 } },
    ],
    [{ CADRO_SOURCE_TIMEOUT_MS: '250' }, { sourceTimeoutMs: 250 }],
    [{ CADRO_MAIL_DOMAIN: 'm.example' }, { mailDomain: 'm.example' }],
    [{ CADRO_DEMO_SCHOOL_URL: 'http://s' }, { demoSchoolUrl: 'http://s' }],
    [{ CADRO_LOG_LEVEL: 'debug' }, { logLevel: 'debug' }],
  ])('takes %j', (env, more) => expect(readConfig({ ...whole, ...env })).toEqual({ ...usual, ...more }));
  it.each([
    [{ CADRO_PORT: '-1' }, 'CADRO_PORT must be a number from 0 to 65535'],
    [{ CADRO_PORT: '65536' }, 'CADRO_PORT must be a number from 0 to 65535'],
    [{ CADRO_PORT: '80.5' }, 'CADRO_PORT must be a number from 0 to 65535'],
    [{ CADRO_PORT: 'http' }, 'CADRO_PORT must be a number from 0 to 65535'],
    [{ CADRO_SOURCE_TIMEOUT_MS: 'soon' }, 'CADRO_SOURCE_TIMEOUT_MS must be a number from 0 to 600000'],
    [{ TEXT_GATEWAY_URL: 'https://t' }, 'TEXT_GATEWAY_KEY is not set'],
  ])('refuses %j', (env, message) => expect(() => readConfig({ ...whole, ...env })).toThrow(message));
  it.each(Object.keys(whole))('says that %s is missing', (name) => {
    expect(() => readConfig({ ...whole, [name]: '' })).toThrow(`${name} is not set`);
  });
  it('takes no short secret', () => {
    expect(() => readConfig({ ...whole, CADRO_SECRET: 'x'.repeat(31) })).toThrow('at least 32');
  });
});

describe('what is sealed', () => {
  it('comes back with its own secret only', () => {
    const sealed = seal('one secret', 'sand & salt');
    expect(unseal('one secret', sealed)).toBe('sand & salt');
    expect(() => unseal('another', sealed)).toThrow();
  });
  it('reads differently each time, and not at all when a byte was changed', () => {
    const sealed = seal('s', 'text');
    expect(seal('s', 'text')).not.toBe(sealed);
    const bytes = Buffer.from(sealed, 'base64url');
    bytes[bytes.length - 1] = (bytes.at(-1) ?? 0) ^ 1;
    expect(() => unseal('s', bytes.toString('base64url'))).toThrow();
  });
  it.each([
    ['3QPT-7K9M-XR2D-V6HB', '3qpt 7k9m xr2d v6hb', true],
    ['3QPT-7K9M-XR2D-V6HB', '3QPT7K9MXR2DV6HB', true],
    ['3QPT-7K9M-XR2D-V6HB', '3QPT-7K9M-XR2D-V6HC', false],
    ['0A1B-0000-0000-0000', 'oaib-oooo-oooo-oooo', true],
    ['0A1B-0000-0000-0000', 'OALB 0000 0000 0000', true],
  ])('codes %s and %s are alike: %s', (a, b, alike) => {
    expect(hashCode(a) === hashCode(b)).toBe(alike);
  });
  it('compares texts of any length', () => {
    expect([sameText('a', 'a'), sameText('a', 'b'), sameText('a', 'aa'), sameText('', '')]).toEqual([
      true,
      false,
      false,
      true,
    ]);
  });
});

describe.each(['reply', 'back'] as const)('an address of ours, %s', (kind) => {
  const id = '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6';
  const address = mailAddress({ secret: 'secret', mailDomain: 'mail.cadro.example' }, kind, id);
  it('leads back to what it was given out for, however a mail program writes it', () => {
    expect(idOfAddress('secret', kind, address)).toBe(id);
    expect(idOfAddress('secret', kind, address.toUpperCase())).toBe(id);
  });
  it('fits where mail servers cut', () => {
    expect(address.split('@')[0]?.length).toBeLessThanOrEqual(64);
  });
  it.each([
    ['another id', () => address.replace('0d4f', '1d4f')],
    [
      'another signature',
      () => address.replace(/\.(.)/, (_all, digit: string) => `.${digit === '0' ? '1' : '0'}`),
    ],
    ['the other kind', () => address.replace(/^[a-z]+/, kind === 'reply' ? 'back' : 'reply')],
    ['none', () => address.replace(/\..*@/, '@')],
    ['a person', () => 'maren@aldervane.example'],
    ['nothing', () => ''],
  ])('is refused with %s', (_name, make) => {
    expect(idOfAddress('secret', 'reply', make())).toBeNull();
    expect(idOfAddress('secret', 'back', make())).toBeNull();
  });
  it('is another one under another secret', () => {
    expect(idOfAddress('another', kind, address)).toBeNull();
  });
});
