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
