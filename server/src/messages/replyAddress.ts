import { sameText, sign } from '../seal';

/** `reply+<thread>.<signature>@domain`: nobody can make up an address for a thread they were not written from. */
export const replyAddress = (secret: string, domain: string, threadId: string): string => {
  const token = threadId.replaceAll('-', '');
  return `reply+${token}.${sign(secret, token)}@${domain}`;
};

const shape = /^reply\+([0-9a-f]{32})\.([0-9a-f]{24})@/i;

/** The thread an address stands for; null when it is none of ours or its signature is forged. */
export function threadOfAddress(secret: string, address: string): string | null {
  const [, token, signature] = shape.exec(address.toLowerCase()) ?? [];
  if (!token || !signature || !sameText(signature, sign(secret, token))) return null;
  return token.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
}
