import { hashCode, newCode, type Trx } from '../../kit';
import { addInvitation, type NewInvitation } from './invitationStore';

const dayMs = 24 * 3_600_000;
/** How long somebody who was invited may take to come. */
export const invitationDays = 14;

export interface GivenOut {
  readonly id: string;
  /** In the clear, once: the table knows its hash alone. */
  readonly code: string;
  readonly expiresAt: Date;
}

/** Gives out a code that is good once, for as many days. */
export async function giveCode(
  trx: Trx,
  days: number,
  what: Omit<NewInvitation, 'codeHash' | 'expiresAt'>,
): Promise<GivenOut> {
  const code = newCode();
  const expiresAt = new Date(what.now.getTime() + days * dayMs);
  return { id: await addInvitation(trx, { ...what, codeHash: hashCode(code), expiresAt }), code, expiresAt };
}

/** Where an account is set up. */
export const addressOfDoor = (publicUrl: string): string => `${publicUrl}/new`;
/** Where a code leads: it stands behind the `#`, which no server and no log sees. */
export const addressOfCode = (publicUrl: string, code: string): string =>
  `${addressOfDoor(publicUrl)}#${code}`;
