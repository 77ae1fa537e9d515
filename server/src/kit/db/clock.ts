import type { Db } from './database';

/** Where the time comes from. Asked for, because in the demo it is kept in the database and moved by hand. */
export interface Clock {
  now(): Promise<Date>;
}

export const systemClock: Clock = { now: async () => new Date() };

/** The demo's clock stands still between two moves; every process reads the same one. */
export const demoClock = (db: Db): Clock => ({
  async now() {
    const row = await db('demo_clock').first<{ now_at: Date }>('now_at');
    if (!row) throw new Error('the demo clock has not been set: load the story first');
    return row.now_at;
  },
});

export async function setDemoClock(db: Db, now: Date): Promise<void> {
  await db('demo_clock').insert({ only_row: true, now_at: now }).onConflict('only_row').merge();
}
