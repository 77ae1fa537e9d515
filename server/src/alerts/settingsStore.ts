import type { Db, Trx } from '../kit';
import { notify } from './store';

/** No mail goes to this guardian's address until they say that it is in order again. */
export async function mailBounced(db: Db | Trx, guardianId: string, now: Date): Promise<void> {
  await db('alert_settings')
    .insert({ guardian_id: guardianId, mail_bounced_at: now })
    .onConflict('guardian_id')
    .merge(['mail_bounced_at']);
  await notify(db, [guardianId], 'state');
}

/** Since when mail to a guardian comes back; null while it does not. */
export async function mailBouncedAt(db: Db, guardianId: string): Promise<Date | null> {
  const row = await db('alert_settings')
    .where({ guardian_id: guardianId })
    .first<{ mail_bounced_at: Date | null } | undefined>('mail_bounced_at');
  return row?.mail_bounced_at ?? null;
}

/** Changes what a guardian has set; what is not named stays as it is. */
export async function saveSettings(
  db: Db,
  guardianId: string,
  change: Readonly<Record<string, unknown>>,
): Promise<void> {
  await db('alert_settings')
    .insert({ guardian_id: guardianId, ...change })
    .onConflict('guardian_id')
    .merge(change);
}

/** A new address owes nothing to what came back from the old one. */
export async function mailMovedOn(db: Db | Trx, guardianId: string): Promise<void> {
  await db('alert_settings').where({ guardian_id: guardianId }).update({ mail_bounced_at: null });
}

export interface PhoneProof {
  readonly phone: string;
  readonly code_hash: string;
  readonly expires_at: Date;
}

export const phoneProof = (db: Db, guardianId: string): Promise<PhoneProof | undefined> =>
  db('phone_proofs').where({ guardian_id: guardianId }).first<PhoneProof | undefined>();

/** A later code takes the place of an earlier one. */
export async function putPhoneProof(
  db: Db,
  proof: { guardianId: string; phone: string; codeHash: string; expiresAt: Date },
): Promise<void> {
  const { guardianId, phone, codeHash, expiresAt } = proof;
  await db('phone_proofs')
    .insert({ guardian_id: guardianId, phone, code_hash: codeHash, expires_at: expiresAt })
    .onConflict('guardian_id')
    .merge();
}

/** The number is theirs: it is kept as theirs, and the code is over. */
export async function confirmPhone(db: Db, guardianId: string, phone: string): Promise<void> {
  await saveSettings(db, guardianId, { phone_confirmed: phone });
  await db('phone_proofs').where({ guardian_id: guardianId }).delete();
}

/** The addresses that alerts and digests came back from, the latest first. */
export const bouncedAddresses = (db: Db): Promise<{ email: string; at: Date }[]> =>
  db('alert_settings as s')
    .join('guardian_profiles as g', 'g.guardian_id', 's.guardian_id')
    .whereNotNull('s.mail_bounced_at')
    .orderBy('s.mail_bounced_at', 'desc')
    .select<{ email: string; at: Date }[]>('g.email', 's.mail_bounced_at as at');
