import { migrate, migrateQueue, openDatabase } from '../kit';
import { createDatabase, dropDatabase, emptyTemplate, readTemplates } from './databases';
import './setup';
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
  for (const day of days) {
    await world.moveTo(day);
    await world.syncAll();
  }
  await world.leave();
}

/**
 * Makes the databases that server tests copy, in the cluster of `TEST_DATABASE_URL`: one with the tables alone, and two
 * into which the schools have been read.
 */
async function main(): Promise<void> {
  await makeEmpty();
  await Promise.all([
    makeRead(readTemplates.once, evenings.slice(-1)),
    makeRead(readTemplates.daily, evenings),
  ]);
}

void main();
