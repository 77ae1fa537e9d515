import {
  createCipheriv,
  createDecipheriv,
  createHash,
  createHmac,
  randomBytes,
  timingSafeEqual,
} from 'node:crypto';

const keyOf = (secret: string, use: string): Buffer =>
  createHash('sha256').update(`${use}:${secret}`).digest();

/** AES-256-GCM, so that a copy of the database alone opens no school's door. */
export function seal(secret: string, text: string): string {
  const iv = randomBytes(12);
  const cipher = createCipheriv('aes-256-gcm', keyOf(secret, 'credentials'), iv);
  const body = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()]);
  return Buffer.concat([iv, cipher.getAuthTag(), body]).toString('base64url');
}

/** @throws when the text was sealed with another secret or changed since. */
export function unseal(secret: string, sealed: string): string {
  const bytes = Buffer.from(sealed, 'base64url');
  const decipher = createDecipheriv('aes-256-gcm', keyOf(secret, 'credentials'), bytes.subarray(0, 12));
  decipher.setAuthTag(bytes.subarray(12, 28));
  return Buffer.concat([decipher.update(bytes.subarray(28)), decipher.final()]).toString('utf8');
}

const signature = (secret: string, purpose: string | null, token: string): string =>
  createHmac('sha256', keyOf(secret, 'reply-address'))
    .update(purpose === null ? token : `${purpose}:${token}`)
    .digest('hex')
    .slice(0, 24);

/**
 * An id with a short signature, for mail addresses and links: nobody can make one up, and one that was given out for a
 * purpose is good for no other.
 * @param mark what stands between the two; no dot where it becomes part of an address of the app.
 */
export function signedId(secret: string, purpose: string | null, id: string, mark: '.' | '-'): string {
  const token = id.replaceAll('-', '');
  return `${token}${mark}${signature(secret, purpose, token)}`;
}

/** The id that was signed for a purpose, in whatever case it comes back; null when it is none of ours. */
export function idSigned(secret: string, purpose: string | null, text: string): string | null {
  const [, token, told] = /^([0-9a-f]{32})[.-]([0-9a-f]{24})$/.exec(text.toLowerCase()) ?? [];
  if (!token || !told || !sameText(told, signature(secret, purpose, token))) return null;
  return token.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
}

export function sameText(a: string, b: string): boolean {
  const [left, right] = [a, b].map((text) => createHash('sha256').update(text).digest());
  return left !== undefined && right !== undefined && timingSafeEqual(left, right);
}

/** Codes are stored as hashes: a reader of the table can link nobody. Spaces, dashes and case do not matter. */
export const hashCode = (code: string): string =>
  createHash('sha256')
    .update(code.toUpperCase().replace(/[^A-Z0-9]/g, ''))
    .digest('hex');

/** A secret that stands in an address: 256 bits, beyond guessing. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** Tokens are looked up by their hash: a reader of the table can open nothing. */
export const hashToken = (token: string): string => createHash('sha256').update(token).digest('hex');
