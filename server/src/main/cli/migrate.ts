import { migrate, migrateQueue, openDatabase, readConfig } from '../../kit';

/** Brings the tables, and the queue's, to this version. Running it again changes nothing. */
async function main(): Promise<void> {
  const { databaseUrl } = readConfig(process.env);
  const db = openDatabase(databaseUrl);
  await migrate(db);
  await migrateQueue(databaseUrl);
  await db.destroy();
}

void main();
