import { sameText, sign } from '../seal';

// No dot: it stands in an address of the app, where a dot means a file.
const shape = /^([0-9a-f]{32})-([0-9a-f]{24})$/;

/** What stands in each mail's address for stopping mail: nobody can make up one for another guardian. */
export function stopToken(secret: string, guardianId: string): string {
  const token = guardianId.replaceAll('-', '');
  return `${token}-${sign(secret, `stop:${token}`)}`;
}

/** The guardian a token stands for; null when it is none of ours. */
export function guardianOfToken(secret: string, text: string): string | null {
  const [, token, signature] = shape.exec(text.toLowerCase()) ?? [];
  if (!token || !signature || !sameText(signature, sign(secret, `stop:${token}`))) return null;
  return token.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
}
