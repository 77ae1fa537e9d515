import { hashToken, type Db, type Trx } from '../../kit';

export type ProofPurpose = 'confirm' | 'password' | 'change-from' | 'change-to';

/** How long what was sent may be tapped. */
const minutesOf: Readonly<Record<ProofPurpose, number>> = {
  confirm: 7 * 24 * 60,
  password: 30,
  'change-from': 24 * 60,
  'change-to': 24 * 60,
};

export interface ProofRow {
  readonly token_hash: string;
  readonly guardian_id: string;
  readonly purpose: ProofPurpose;
  readonly address: string;
  readonly expires_at: Date;
  readonly used_at: Date | null;
}

/** Puts down what a mail's secret is good for; sent a second time it is the same. The table knows it by its hash alone. */
export async function keepProof(
  db: Db,
  token: string,
  proof: { guardianId: string; purpose: ProofPurpose; address: string; now: Date },
): Promise<void> {
  await db('address_proofs')
    .insert({
      ...{ token_hash: hashToken(token), guardian_id: proof.guardianId, purpose: proof.purpose },
      ...{ address: proof.address, made_at: proof.now },
      expires_at: new Date(proof.now.getTime() + minutesOf[proof.purpose] * 60_000),
    })
    .onConflict('token_hash')
    .ignore();
}

/** What a token stands for, locked for the transaction; also when it is over. */
export const proofByToken = (trx: Trx, token: string): Promise<ProofRow | undefined> =>
  trx('address_proofs')
    .where({ token_hash: hashToken(token) })
    .forUpdate()
    .first<ProofRow | undefined>();

/** One that has been tapped is over, and so are those sent for the same before. */
export async function useProof(trx: Trx, { guardian_id, purpose }: ProofRow, now: Date): Promise<void> {
  await trx('address_proofs').where({ guardian_id, purpose }).whereNull('used_at').update({ used_at: now });
}

/** Those that ran out before then. */
export async function forgetProofs(db: Db, before: Date): Promise<void> {
  await db('address_proofs').where('expires_at', '<', before).delete();
}
