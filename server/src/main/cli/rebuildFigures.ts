import { computeWanted, wantFigures } from '../../gradebook';
import { databaseUrlOf, demoClock, openDatabase, systemClock, start } from '../../kit';
import { allStudentIds, wholeOf } from '../../records';
import { onFigures } from '../hooks';

/** Throws the cached figures away and computes them from the history again, to the same numbers. */
start(async () => {
  const db = openDatabase(databaseUrlOf(process.env));
  const clock = process.env['CADRO_DEMO_SCHOOL_URL'] ? demoClock(db) : systemClock;
  const ids = await allStudentIds(db);
  await wantFigures(db, wholeOf(ids), await clock.now());
  await computeWanted({ db, clock, onFigures });
  console.log(`figures of ${ids.length} children computed`);
  await db.destroy();
});
