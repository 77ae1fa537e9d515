import type { Logger } from 'pino';
import {
  demoClock,
  newLog,
  openDatabase,
  readConfig,
  requireWholeSessions,
  systemClock,
  type Clock,
  type Config,
  type Db,
} from '../kit';

/** What every process that stays works with, by its environment. */
export interface Equipment {
  readonly config: Config;
  readonly log: Logger;
  readonly db: Db;
  /** In a demo the story's, which is moved on by hand. */
  readonly clock: Clock;
}

/** @throws Error where a setting is missing, or a pooler gives a session to others. */
export async function equipment(env: NodeJS.ProcessEnv): Promise<Equipment> {
  const config = readConfig(env);
  const log = newLog(config.logLevel);
  await requireWholeSessions(config.databaseUrl);
  const db = openDatabase(config.databaseUrl);
  return { config, log, db, clock: config.demoSchoolUrl ? demoClock(db) : systemClock };
}
