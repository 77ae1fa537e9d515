import type { Db } from '../kit';
import { invitationsJob } from './jobs';
import * as store from './store';

/**
 * What a school says of its times after a reading: a meeting whose time it has taken back is called off, one that it has
 * moved is moved, and whoever is invited hears of it. What is over stays as it was.
 */
export async function followSlots(db: Db, sourceId: string, now: Date): Promise<void> {
  await db.transaction(async (trx) => {
    const off = await store.callOff(trx, sourceId, now);
    const moved = await store.followTimes(trx, sourceId, now);
    await invitationsJob(trx, [...off, ...moved]);
  });
}
