import { setTimeout as wait } from 'node:timers/promises';
import type { Client } from 'pg';
import { cut, openClient } from './connections';
import { isAway } from './faults';

/** What stands between gives each transaction another connection: whose a session is would be forgotten, or be another's. */
export class SessionsNotKept extends Error {
  override readonly name = 'SessionsNotKept';
}

/** Longer than an answer takes that waits for nobody. */
const aWhileMs = 300;

const put = (client: Client, whose: string) =>
  client.query(`select set_config('cadro.probe', $1, false)`, [whose]);

/** Has one session hold a connection while the other puts something down, and looks whether it finds it again. */
async function areTwo(one: Client, other: Client): Promise<boolean> {
  await one.query('begin');
  await one.query('select 1');
  const putDown = put(other, 'other');
  // Where there is but one connection behind, it waits for the transaction's end.
  await Promise.race([putDown, wait(aWhileMs)]);
  await one.query('commit');
  await putDown;
  await put(one, 'one');
  const { rows } = await other.query<{ whose: string | null }>(
    `select current_setting('cadro.probe', true) as whose`,
  );
  return rows[0]?.whose === 'other';
}

/**
 * Makes sure that a connection to the database is a whole session, as whose rows somebody sees and live alerts need.
 * A database that is away is asked later, by who needs it.
 * @throws SessionsNotKept where a pooler lends connections out by transactions.
 */
export async function requireWholeSessions(url: string): Promise<void> {
  const clients = [openClient(url), openClient(url)] as const;
  try {
    for (const client of clients) await client.connect();
    if (await areTwo(...clients)) return;
  } catch (error) {
    if (isAway(error)) return;
    throw error;
  } finally {
    for (const client of clients) cut(client);
  }
  throw new SessionsNotKept(
    'a pooler in between lends connections out by transactions: have it keep whole sessions (pool_mode = session), or name PostgreSQL’s own address',
  );
}
