import { Logger, runMigrations } from 'graphile-worker';

const silent = new Logger(() => () => undefined);

/** The queue's own tables. */
export const migrateQueue = (connectionString: string): Promise<void> =>
  runMigrations({ connectionString, logger: silent });
