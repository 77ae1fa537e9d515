import { migrate, migrateQueue, openDatabase } from '../kit';
import { createDatabase, dropDatabase, emptyTemplate, hasDatabase, readTemplates } from './databases';
import { World } from './world';

/** The story opens on the last of them. */
const evenings = [18, 19, 20, 21].map((day) => `2026-10-${day}T19:40:00Z`);

async function makeEmpty(): Promise<void> {
  await dropDatabase(emptyTemplate);
  const url = await createDatabase(emptyTemplate, 'template1');
  const db = openDatabase(url, { poolSize: 1 });
  await migrate(db);
  await db.destroy();
  await migrateQueue(url);
}

/** Reads every day, as the worker does, so that what came since is news. */
async function makeRead(name: string, days: readonly string[]): Promise<void> {
  await dropDatabase(name);
  const world = await World.start(name);
  // A world that is left open would keep the run from ending, whatever went wrong.
  try {
    for (const day of days) {
      await world.moveTo(day);
      await world.syncAll();
    }
  } finally {
    await world.leave();
  }
}

/**
 * Before the first test of a run: a database with the tables alone, and two into which the schools have been read. Every
 * test takes a copy of one of them, which costs a fraction of making it. `TEST_TEMPLATES_KEPT` is set where one run
 * after the other works on the same cluster: the last of them is there once all are, and is made once.
 */
export default async function templates(): Promise<void> {
  if (process.env['TEST_TEMPLATES_KEPT'] && (await hasDatabase(readTemplates.daily))) return;
  await makeEmpty();
  await makeRead(readTemplates.once, evenings.slice(-1));
  await makeRead(readTemplates.daily, evenings);
}
