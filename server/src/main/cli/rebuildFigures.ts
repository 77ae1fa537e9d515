import { computeWanted, wantFigures } from '../../gradebook';
import { demoClock, openDatabase, readConfig, systemClock, start } from '../../kit';
import { allStudentIds } from '../../records';
import { onFigures } from '../hooks';

/** Throws the cached figures away and computes them from the history again, to the same numbers. */
start(async () => {
  const config = readConfig(process.env);
  const db = openDatabase(config.databaseUrl);
  const clock = config.demoSchoolUrl ? demoClock(db) : systemClock;
  const ids = await allStudentIds(db);
  await wantFigures(db, ids, await clock.now());
  await computeWanted({ db, clock, onFigures });
  console.log(`figures of ${ids.length} children computed`);
  await db.destroy();
});
