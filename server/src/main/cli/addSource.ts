import { addJobs, openDatabase, readConfig, seal, start } from '../../kit';
import { addSource, readingJob } from '../../sources';

/** `tsx server/src/main/cli/addSource.ts NAME BASE_URL CLIENT_ID` with the secret in CADRO_SOURCE_SECRET. */
start(async () => {
  const [name, baseUrl, clientId] = process.argv.slice(2);
  const clientSecret = process.env['CADRO_SOURCE_SECRET'];
  if (!name || !baseUrl || !clientId || !clientSecret) {
    throw new Error('usage: CADRO_SOURCE_SECRET=… addSource NAME BASE_URL CLIENT_ID');
  }
  const config = readConfig(process.env);
  const db = openDatabase(config.databaseUrl);
  const id = await addSource(db, {
    name,
    baseUrl,
    clientId,
    sealedSecret: seal(config.secret, clientSecret),
  });
  await addJobs(db, [readingJob(id)]);
  console.log(`source ${id} will be read by the job worker`);
  await db.destroy();
});
