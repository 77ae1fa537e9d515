import { openDatabase, newLog, readConfig, start } from '../../kit';
import { loadStory, refreshAddresses } from '../demo';

/** Loads the demo family's story from the simulated schools; one that has it learns the schools' new address. */
start(async () => {
  const config = readConfig(process.env);
  if (!config.demoSchoolUrl)
    throw new Error('CADRO_DEMO_SCHOOL_URL is not set: the story is for the demo only');
  const db = openDatabase(config.databaseUrl);
  const loaded = (await db('guardian_profiles').first('guardian_id')) !== undefined;
  if (loaded) {
    await refreshAddresses(db, config.demoSchoolUrl);
  } else {
    const log = newLog('warn');
    await loadStory({ db, config, log, schoolUrl: config.demoSchoolUrl }, (line) => console.log(line));
  }
  await db.destroy();
});
