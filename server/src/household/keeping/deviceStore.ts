import type { Db } from '../../kit';

export interface DeviceRow {
  readonly guardian_id: string;
  readonly token_hash: string;
  readonly name: string;
}

export const hasDevice = async (db: Db, guardian_id: string, token_hash: string): Promise<boolean> =>
  (await db('devices').where({ guardian_id, token_hash }).first<object | undefined>('name')) !== undefined;

/** Puts down that a device was used. @returns whether it is a further one, new beside those known. */
export async function putDevice(db: Db, device: DeviceRow, now: Date): Promise<boolean> {
  const { rows } = await db.raw<{ rows: { further: boolean }[] }>(
    `insert into devices (guardian_id, token_hash, name, first_at, last_at)
       values (:guardian_id, :token_hash, :name, :now, :now)
     on conflict (guardian_id, token_hash) do update set last_at = :now, name = :name
     returning xmax = 0 and exists (
       select from devices d where d.guardian_id = :guardian_id and d.token_hash <> :token_hash) as further`,
    { ...device, now },
  );
  return rows[0]?.further ?? false;
}
