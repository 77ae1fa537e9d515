import type { Db } from '../../kit';

/** A program that may read what its owner sees. */
export interface ClientRow {
  readonly id: string;
  readonly guardian_id: string;
  readonly name: string;
  readonly secret_hash: string;
  readonly made_at: Date;
  readonly used_at: Date | null;
}

export async function addClient(
  db: Db,
  client: Pick<ClientRow, 'guardian_id' | 'name' | 'secret_hash' | 'made_at'>,
): Promise<string> {
  const [row] = await db('out_clients').insert(client).returning<{ id: string }[]>('id');
  if (!row) throw new Error('a client could not be put down');
  return row.id;
}

export const clientsOf = (db: Db, guardianId: string): Promise<ClientRow[]> =>
  db<ClientRow>('out_clients').where({ guardian_id: guardianId }).orderBy('made_at');

export const clientById = (db: Db, id: string): Promise<ClientRow | undefined> =>
  db<ClientRow>('out_clients').where({ id }).first();

export async function touchClient(db: Db, id: string, used_at: Date): Promise<void> {
  await db('out_clients').where({ id }).update({ used_at });
}

export const dropClient = async (db: Db, guardianId: string, id: string): Promise<boolean> =>
  (await db('out_clients').where({ id, guardian_id: guardianId }).delete()) > 0;
