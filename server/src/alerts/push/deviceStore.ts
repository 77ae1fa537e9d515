import { createHash } from 'node:crypto';
import type { NewPushDevice, PushDevice } from '@cadro/contract';
import { houseOf, seal, unseal, type Db } from '../../kit';

interface Row {
  readonly id: string;
  readonly sealed: string;
  readonly device: string;
  readonly made_at: Date;
  readonly session_id: string;
}

const viewOf = ({ id, device, made_at, session_id }: Row, sessionId: string | null): PushDevice => ({
  ...{ id, device, since: made_at.toISOString() },
  here: session_id === sessionId,
});

function reachIn(secret: string, sealed: string): NewPushDevice | null {
  try {
    return JSON.parse(unseal(secret, sealed)) as NewPushDevice; // as it was put there
  } catch {
    return null;
  }
}

/** The devices of a guardian, the latest first. @param sessionId of who asks: theirs is here. */
export const devicesOf = async (
  db: Db,
  guardianId: string,
  sessionId: string | null,
): Promise<PushDevice[]> =>
  (
    await db('push_devices')
      .where({ guardian_id: guardianId })
      .orderBy('made_at', 'desc')
      .select<Row[]>('id', 'device', 'made_at', 'session_id')
  ).map((row) => viewOf(row, sessionId));

/** Where each of them is reached, and by which keys; null where another secret has sealed it. */
export const reachesOf = async (
  db: Db,
  secret: string,
  guardianId: string,
): Promise<{ id: string; reach: NewPushDevice | null }[]> =>
  (
    await db('push_devices')
      .where({ guardian_id: guardianId })
      .orderBy('made_at')
      .select<Row[]>('id', 'sealed')
  ).map(({ id, sealed }) => ({ id, reach: reachIn(secret, sealed) }));

export interface PutDevice {
  readonly guardianId: string;
  /** The session it lasts as long as. */
  readonly sessionId: string;
  readonly device: string;
  readonly reach: NewPushDevice;
}

/** One address is one device, whoever had it before; and a session has one. */
export async function putDevice(db: Db, secret: string, put: PutDevice, now: Date): Promise<PushDevice> {
  const hash = createHash('sha256').update(put.reach.endpoint).digest('hex');
  // Whoever had it before is somebody whose rows only the house sees.
  return houseOf(db).transaction(async (trx) => {
    await trx('push_devices')
      .where({ guardian_id: put.guardianId, session_id: put.sessionId })
      .orWhere({ address_hash: hash })
      .delete();
    const [row] = await trx('push_devices')
      .insert({
        guardian_id: put.guardianId,
        session_id: put.sessionId,
        address_hash: hash,
        sealed: seal(secret, JSON.stringify(put.reach)),
        device: put.device,
        made_at: now,
      })
      .returning<Row[]>(['id', 'device', 'made_at', 'session_id']);
    if (!row) throw new Error('a device could not be put down');
    return viewOf(row, put.sessionId);
  });
}

/** @returns whether there was one. */
export const dropDevice = async (db: Db, guardianId: string, id: string): Promise<boolean> =>
  (await db('push_devices').where({ guardian_id: guardianId, id }).delete()) > 0;
