import type { Db } from '../../kit';

export interface SecretRow {
  readonly secret_sealed: string;
  readonly confirmed_at: Date | null;
  readonly last_step: number;
}

export const secretOf = (db: Db, guardianId: string): Promise<SecretRow | undefined> =>
  db('one_time_secrets').where({ guardian_id: guardianId }).first<SecretRow | undefined>();

/** A secret that has not shown yet that it works; a later one takes its place. */
export async function putSecret(
  db: Db,
  guardian_id: string,
  secret_sealed: string,
  made_at: Date,
): Promise<void> {
  const row = { guardian_id, secret_sealed, made_at, confirmed_at: null, last_step: 0 };
  await db('one_time_secrets').insert(row).onConflict('guardian_id').merge();
}

/** From now on codes are asked for; the recovery codes there were are over. */
export async function startOneTime(
  db: Db,
  guardian_id: string,
  { step, codeHashes, now }: { step: number; codeHashes: readonly string[]; now: Date },
): Promise<void> {
  await db.transaction(async (trx) => {
    await trx('one_time_secrets').where({ guardian_id }).update({ confirmed_at: now, last_step: step });
    await trx('recovery_codes').where({ guardian_id }).delete();
    await trx('recovery_codes').insert(codeHashes.map((code_hash) => ({ guardian_id, code_hash })));
  });
}

/** Of two that bring the same code at once, one is late. @returns whether it was good. */
export const useStep = async (db: Db, guardian_id: string, step: number): Promise<boolean> =>
  (await db('one_time_secrets')
    .where({ guardian_id })
    .where('last_step', '<', step)
    .whereNotNull('confirmed_at')
    .update({ last_step: step })) > 0;

/** @returns whether it was good. */
export const useRecoveryCode = async (
  db: Db,
  guardian_id: string,
  code_hash: string,
  used_at: Date,
): Promise<boolean> =>
  (await db('recovery_codes').where({ guardian_id, code_hash }).whereNull('used_at').update({ used_at })) > 0;

export async function recoveryLeft(db: Db, guardian_id: string): Promise<number> {
  return (await db('recovery_codes').where({ guardian_id }).whereNull('used_at').pluck('code_hash')).length;
}

export async function dropOneTime(db: Db, guardian_id: string): Promise<void> {
  await db('one_time_secrets').where({ guardian_id }).delete();
  await db('recovery_codes').where({ guardian_id }).delete();
}
