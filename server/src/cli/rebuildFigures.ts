import { readConfig } from '../config';
import { demoClock, openDatabase, systemClock } from '../db';
import { allStudentIds, computeFigures } from '../outlook';

/** Throws the cached figures away and computes them from the history again, to the same numbers. */
async function main(): Promise<void> {
  const config = readConfig(process.env);
  const db = openDatabase(config.databaseUrl);
  const clock = config.demoSchoolUrl ? demoClock(db) : systemClock;
  const ids = await allStudentIds(db);
  for (const id of ids) await computeFigures({ db, clock }, id);
  console.log(`figures of ${ids.length} children computed`);
  await db.destroy();
}

void main();
