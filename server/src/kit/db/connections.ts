import type { Socket } from 'node:net';
import { Client, Pool, type PoolConfig } from 'pg';

/** A call that is not taken is given up after this; who waits for it has been told by the watch long before. */
const callMs = 10_000;

/** How every connection of Cadro is made: one whose other end has gone is found out. */
export const connectionTo = (url: string) => ({
  ...{ connectionString: url, connectionTimeoutMillis: callMs },
  ...{ keepAlive: true, keepAliveInitialDelayMillis: 10_000 },
});

/** What is open to a database, of whatever pool: all of it is hung up where nothing answers any more. */
const open = new Map<string, Set<Client>>();

/** When a database was last heard, on whichever connection, by the clock of the process. */
const heard = new Map<string, number>();
export const lastHeardMs = (url: string): number => heard.get(url) ?? -Infinity;

/** Where `pg` has a connection's socket. */
const socketOf = (client: Client): Socket =>
  (client as unknown as { connection: { stream: Socket } }).connection.stream;

function keepInMind(url: string, client: Client): void {
  socketOf(client).on('data', () => heard.set(url, performance.now()));
  const toThere = open.get(url) ?? new Set();
  open.set(url, toThere.add(client));
  client.once('end', () => toThere.delete(client));
}

/** Takes a pool's word that a connection is new, as Knex gives it. */
export const remember =
  (url: string) =>
  (client: Client, done: (error: unknown, client: Client) => void): void => {
    keepInMind(url, client);
    done(null, client);
  };

/** A pool beside that of the rows. One of its connections that breaks off while nobody uses it is replaced, no more. */
export function openPool(url: string, more: PoolConfig): Pool {
  const pool = new Pool({ ...connectionTo(url), ...more });
  pool.on('error', () => undefined);
  pool.on('connect', (client) => {
    // A pool's clients are whole ones, whatever their type says.
    keepInMind(url, client as Client);
    client.on('error', () => undefined);
  });
  return pool;
}

/** A connection of its own. Whoever takes one hears of its end. */
export function openClient(url: string): Client {
  const client = new Client(connectionTo(url));
  client.on('error', () => undefined);
  keepInMind(url, client);
  return client;
}

/** Ends a connection at this side alone: the driver's own way waits for a word of the other. */
export const cut = (client: Client): void => void socketOf(client).destroy();

/** Cuts every connection to a database: who waits for an answer is told that none comes. */
export function hangUp(url: string): void {
  for (const client of open.get(url) ?? []) cut(client);
}
