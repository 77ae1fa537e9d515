import type { Db, Trx } from '../../kit';

export interface AddressChangeRow {
  readonly address: string;
  readonly from_at: Date | null;
  readonly to_at: Date | null;
}

export const changeOf = (db: Db, guardianId: string): Promise<AddressChangeRow | undefined> =>
  db('address_changes').where({ guardian_id: guardianId }).first<AddressChangeRow | undefined>();

/** A later wish takes the place of an earlier one; what was sent for that leads nowhere any more. */
export async function putChange(
  trx: Trx,
  guardian_id: string,
  address: string,
  asked_at: Date,
): Promise<void> {
  await dropChange(trx, guardian_id);
  await trx('address_changes').insert({ guardian_id, address, asked_at });
}

export async function tapped(
  trx: Trx,
  guardian_id: string,
  side: 'from_at' | 'to_at',
  at: Date,
): Promise<AddressChangeRow | undefined> {
  const [row] = await trx('address_changes')
    .where({ guardian_id })
    .update({ [side]: at })
    .returning<AddressChangeRow[]>(['address', 'from_at', 'to_at']);
  return row;
}

export async function dropChange(db: Db | Trx, guardian_id: string): Promise<void> {
  await db('address_changes').where({ guardian_id }).delete();
  await db('address_proofs').where({ guardian_id }).whereIn('purpose', ['change-from', 'change-to']).delete();
}
