import { join } from 'node:path';
import { migrate, migrateQueue, newLog, openDatabase, readConfig, requireWholeSessions, start } from '../kit';
import { Supervised } from './supervised';

/** Programs lie beside this one: built, or in the sources. */
const program = (name: string): { path: string; args: string[] } =>
  __filename.endsWith('.ts')
    ? { path: join(__dirname, `${name}.ts`), args: ['--import', 'tsx'] }
    : { path: join(__dirname, `${name}.cjs`), args: [] };

/** What Cadro runs as: brings the tables to this version, then keeps the server and the worker alive. */
start(async () => {
  const config = readConfig(process.env);
  const log = newLog(config.logLevel);
  await requireWholeSessions(config.databaseUrl);
  const db = openDatabase(config.databaseUrl, { poolSize: 1 });
  try {
    await migrate(db);
    await migrateQueue(config.databaseUrl);
  } finally {
    await db.destroy();
  }
  const processes = ['server', 'worker'].map((name) => new Supervised(name, program(name), log));
  for (const each of processes) each.start();
  let stopping = false;
  const stop = (): void => {
    if (stopping) return;
    stopping = true;
    void Promise.all(processes.map((each) => each.stop())).then(() => process.exit(0));
  };
  process.on('SIGTERM', stop).on('SIGINT', stop);
});
