import { idSigned, signedId } from '../seal';

/**
 * What comes to an address of ours: a teacher's answer in a thread, word that what was sent could not be brought, what a
 * family forwards, or a guest's answer to an invitation.
 */
export type AddressKind = 'reply' | 'back' | 'family' | 'meeting';

// Reply addresses were given out before there were others.
const purposes: Record<AddressKind, string | null> = {
  ...{ reply: null, back: 'back', family: 'family', meeting: 'meeting' },
};

/**
 * `reply+<id>.<signature>@domain`: nobody can make up an address for what they were not sent, and mail servers
 * take no more than 64 characters before the @.
 * @param id of the thread for a reply, of the letter or delivery for what comes back, of the household for what it forwards,
 *   of the guest for an answer to an invitation.
 */
export const mailAddress = (
  { secret, mailDomain }: { readonly secret: string; readonly mailDomain: string },
  kind: AddressKind,
  id: string,
): string => `${kind}+${signedId(secret, purposes[kind], id, '.')}@${mailDomain}`;

/** The id that an address of a kind stands for; null when it is none of ours or its signature is forged. */
export function idOfAddress(secret: string, kind: AddressKind, address: string): string | null {
  const [, named, token] = /^([a-z]+)\+([^@]+)@/i.exec(address) ?? [];
  return token && named?.toLowerCase() === kind ? idSigned(secret, purposes[kind], token) : null;
}
