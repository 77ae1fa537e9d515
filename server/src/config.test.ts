import { readConfig } from './config';
import { hashCode, sameText, seal, sign, unseal } from './seal';
import { replyAddress, threadOfAddress } from './messages/replyAddress';

const whole = {
  DATABASE_URL: 'postgres://x',
  CADRO_SECRET: 'x'.repeat(32),
  SMTP_URL: 'smtp://x',
  CADRO_INBOUND_MAIL_KEY: 'k',
};

describe('the environment', () => {
  it('needs four things and has the rest by itself', () => {
    expect(readConfig(whole)).toMatchObject({
      port: 4600,
      publicUrl: 'http://127.0.0.1:4600',
      sourceTimeoutMs: 15_000,
      appDir: null,
      demoSchoolUrl: null,
      logLevel: 'info',
    });
    expect(readConfig({ ...whole, CADRO_PORT: '8080' }).publicUrl).toBe('http://127.0.0.1:8080');
  });
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
    ['SORREL-PET-3141', 'sorrel pet 3141', true],
    ['SORREL-PET-3141', 'SORRELPET3141', true],
    ['SORREL-PET-3141', 'SORREL-PET-3142', false],
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

describe('a reply address', () => {
  const thread = '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6';
  const address = replyAddress('secret', 'mail.cadro.example', thread);
  it('leads back to its thread, however a mail program writes it', () => {
    expect(threadOfAddress('secret', address)).toBe(thread);
    expect(threadOfAddress('secret', address.toUpperCase())).toBe(thread);
  });
  it('fits where mail servers cut', () => {
    expect(address.split('@')[0]?.length).toBeLessThanOrEqual(64);
  });
  it.each([
    ['another thread', () => address.replace('0d4f', '1d4f')],
    [
      'another signature',
      () => address.replace(/\.(.)/, (_all, digit: string) => `.${digit === '0' ? '1' : '0'}`),
    ],
    ['none', () => address.replace(/\..*@/, '@')],
    ['a person', () => 'maren@aldervane.example'],
    ['nothing', () => ''],
  ])('is refused with %s', (_name, make) => {
    expect(threadOfAddress('secret', make())).toBeNull();
  });
  it('is another one under another secret', () => {
    expect(threadOfAddress('another', address)).toBeNull();
    expect(sign('secret', 'x')).not.toBe(sign('another', 'x'));
  });
});
