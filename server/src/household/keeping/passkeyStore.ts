import type { Db } from '../../kit';

export interface PasskeyRow {
  readonly guardian_id: string;
  readonly id: string;
  readonly credential_id: string;
  readonly public_key: Buffer;
  readonly counter: number;
  readonly transports: readonly string[];
  readonly name: string;
  readonly made_at: Date;
  readonly used_at: Date | null;
}

export const passkeysOf = (db: Db, guardianId: string): Promise<PasskeyRow[]> =>
  db('passkeys').where({ guardian_id: guardianId }).orderBy('made_at').select<PasskeyRow[]>();

export const passkeyByCredential = (db: Db, credentialId: string): Promise<PasskeyRow | undefined> =>
  db('passkeys').where({ credential_id: credentialId }).first<PasskeyRow | undefined>();

export async function addPasskey(db: Db, row: Omit<PasskeyRow, 'id' | 'used_at'>): Promise<void> {
  await db('passkeys').insert(row);
}

export async function usePasskey(db: Db, id: string, counter: number, now: Date): Promise<void> {
  await db('passkeys').where({ id }).update({ counter, used_at: now });
}

/** @returns whether there was one. */
export const dropPasskey = async (db: Db, guardianId: string, id: string): Promise<boolean> =>
  (await db('passkeys').where({ guardian_id: guardianId, id }).delete()) > 0;
