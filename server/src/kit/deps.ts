import type { Logger } from 'pino';
import type { Threads } from './apart';
import type { Config } from './config';
import type { Clock, Db } from './db';

/** What is handed in to every room's routes. */
export interface ServerDeps {
  readonly db: Db;
  readonly clock: Clock;
  /** The time of the wall, which one-time codes and challenges go by, whatever day the demo has. */
  readonly wall: Clock;
  readonly config: Config;
  readonly log: Logger;
  readonly threads: Threads;
}

/** Enough for whatever reads or writes records at an instant. */
export type Deps = Pick<ServerDeps, 'db' | 'clock'>;
