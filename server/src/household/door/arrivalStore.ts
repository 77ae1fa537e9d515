import type { Language } from '@cadro/contract';
import { hashToken, type Db, type Trx } from '../../kit';

export interface ArrivalRow {
  readonly email: string;
  readonly name: string;
  readonly given_name: string;
  readonly password_hash: string;
  readonly language: Language;
  readonly expires_at: Date;
  readonly used_at: Date | null;
}

const days = 7;

/** Who has come without a code, until the address is confirmed by the secret that was sent there. */
export async function addArrival(
  trx: Trx,
  token: string,
  arrival: Omit<ArrivalRow, 'expires_at' | 'used_at'>,
  now: Date,
): Promise<void> {
  const expires_at = new Date(now.getTime() + days * 24 * 3_600_000);
  await trx('arrivals').insert({ ...arrival, token_hash: hashToken(token), made_at: now, expires_at });
}

export const arrivalByToken = (trx: Trx, token: string): Promise<ArrivalRow | undefined> =>
  trx('arrivals')
    .where({ token_hash: hashToken(token) })
    .forUpdate()
    .first<ArrivalRow | undefined>();

export async function useArrival(trx: Trx, token: string, now: Date): Promise<void> {
  await trx('arrivals')
    .where({ token_hash: hashToken(token) })
    .update({ used_at: now });
}

/** Those that ran out before then. */
export async function forgetArrivals(db: Db, before: Date): Promise<void> {
  await db('arrivals').where('expires_at', '<', before).delete();
}
