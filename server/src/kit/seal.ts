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
 * @param mark what stands between the two: no dot where it becomes part of an address of the app, and there the id keeps
 *   its dashes, because a filter that meets so many letters in a row takes some of them for a purse that money is asked for.
 */
export function signedId(secret: string, purpose: string | null, id: string, mark: '.' | '-'): string {
  const token = id.replaceAll('-', '');
  return `${mark === '-' ? id : token}${mark}${signature(secret, purpose, token)}`;
}

/** The id that was signed for a purpose, in whatever case it comes back; null when it is none of ours. */
export function idSigned(secret: string, purpose: string | null, text: string): string | null {
  const [, id, told] = /^([0-9a-f-]{32,36})[.-]([0-9a-f]{24})$/.exec(text.toLowerCase()) ?? [];
  const token = id?.replaceAll('-', '');
  if (token?.length !== 32 || !told || !sameText(told, signature(secret, purpose, token))) return null;
  return token.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
}

export function sameText(a: string, b: string): boolean {
  const [left, right] = [a, b].map((text) => createHash('sha256').update(text).digest());
  return left !== undefined && right !== undefined && timingSafeEqual(left, right);
}

/** Digits and letters that nobody takes for one another: no I, L, O or U. */
const codeLetters = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
/** Five bits each: 80 together, beyond guessing. */
export const codeLength = 16;

/** A code as people read it from a letter, `7K3M-Q9XR-2HTV-W4BD`. */
export function newCode(): string {
  const letters = [...randomBytes(codeLength)].map((byte) => codeLetters[byte % codeLetters.length]).join('');
  return letters.replace(/(.{4})(?=.)/g, '$1-');
}

/** A code without what its readers may add or mistake: blanks, dashes, small letters, an O for a zero. */
export const plainCode = (code: string): string =>
  code
    .toUpperCase()
    .replace(/[^A-Z0-9]/g, '')
    .replace(/O/g, '0')
    .replace(/[IL]/g, '1');

/** Codes are stored as hashes: a reader of the table can link nobody. */
export const hashCode = (code: string): string => createHash('sha256').update(plainCode(code)).digest('hex');

/** A secret that stands in an address: 256 bits, beyond guessing. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** The secret that one mail carries: the same at each try to send it, and kept nowhere. In groups, as `signedId` says why. */
export const mailToken = (secret: string, mailId: string): string =>
  createHmac('sha256', keyOf(secret, 'mail-token'))
    .update(mailId)
    .digest('hex')
    .replace(/(.{8})(?=.)/g, '$1-');

/** Tokens are looked up by their hash: a reader of the table can open nothing. */
export const hashToken = (token: string): string => createHash('sha256').update(token).digest('hex');
