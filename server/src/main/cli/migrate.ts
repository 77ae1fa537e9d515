import { databaseUrlOf, migrate, migrateQueue, openDatabase, start } from '../../kit';

/** Brings the tables, and the queue's, to this version. Running it again changes nothing. */
start(async () => {
  const databaseUrl = databaseUrlOf(process.env);
  const db = openDatabase(databaseUrl);
  await migrate(db);
  await migrateQueue(databaseUrl);
  await db.destroy();
});
