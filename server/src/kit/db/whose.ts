import type { Knex } from 'knex';
import makeKnex from 'knex/lib/knex-builder/make-knex';
import { Pool } from 'tarn';
import { isStalePlan } from './faults';
import { sendTogether, sharedBy, type Sends } from './oneLine';

/** A connection of the pool, as far as this file knows it: for whom it was made ready last. */
interface Connection extends Sends {
  cadroFor?: object;
  /** Knex's own word that it is broken. */
  __knex__disposed?: unknown;
  query(statement: { name: string; text: string; values: readonly string[] }): Promise<unknown>;
}

/** What Knex's client is to this file; Knex types it as anything. */
interface Client {
  acquireConnection(): Promise<Connection>;
  releaseConnection(connection: Connection): Promise<void>;
  emit(event: string, ...args: unknown[]): boolean;
  _query(connection: Connection, asked: Asked): Promise<unknown>;
  transaction(...given: unknown[]): unknown;
}

interface Asked {
  readonly sql: string;
  readonly bindings?: readonly unknown[];
  options?: object;
}

const notOpenedHere = 'a database that was not opened here';
const clientOf = (db: Knex): Client => db.client as Client;
/*
 * A request asks of few children: a plan that reckons with any is as good as one for these, and is made once. The house
 * asks of hundreds, or of one: each time a plan of its own may be worth it.
 */
const planned = (how: 'auto' | 'force_generic_plan'): string =>
  `set_config('plan_cache_mode', '${how}', false)`;
// Whose household the connection was for is forgotten with the person.
const beNobody = `select set_config('role', 'none', false), set_config('cadro.household', '', false), ${planned('auto')}`;
const beHouse = { name: 'cadro-be-house', text: beNobody, values: [] };
const bePerson = (personId: string) => ({
  name: 'cadro-become',
  text: `select set_config('role', cadro_become($1::uuid), false), ${planned('force_generic_plan')}`,
  values: [personId],
});

/** How a client takes a connection, whoever it was for before, and how it asks on one. */
const taking = new WeakMap<Client, () => Promise<Connection>>();
const asking = new WeakMap<Client, Client['_query']>();
/** Cadro's own database, behind each that is a person's. */
const houses = new WeakMap<Knex, Knex>();
/** Transactions that hold all that a request does, behind the database that is Cadro's own in them. */
const wholes = new WeakMap<Knex, { readonly trx: Knex; readonly personId: string | undefined }>();
/** Whose a person's database is. */
const people = new WeakMap<Knex, string>();
/** The database in which nothing of a person is left out. */
export const houseOf = (db: Knex): Knex => houses.get(db) ?? db;

/** What a transaction of a person's database is read as where Cadro itself asks. */
export function readAs(trx: Knex.Transaction, { house, person }: { house: Knex; person: Knex }): void {
  houses.set(trx, house);
  wholes.set(house, { trx, personId: people.get(person) });
}

/** Takes a connection and makes it somebody's, where it is not already: one round trip. */
async function handOut(client: Client, whose: object, statement: ReturnType<typeof bePerson>) {
  const take = taking.get(client);
  if (!take) throw new Error(notOpenedHere);
  const connection = await take();
  // One that was just opened is Cadro's own.
  if ((connection.cadroFor ?? client) === whose) return connection;
  try {
    await connection.query(statement);
  } catch (error) {
    await client.releaseConnection(connection);
    throw error;
  }
  connection.cadroFor = whose;
  return connection;
}

/*
 * A request's few hundred questions are the same for everybody: under a name, a connection plans each of them once. Those
 * whose length depends on what is asked for would be without number, and have none.
 */
const names = new Map<string, string>();
const mostNames = 1_000;
const mostBindings = 12;

/** A list is one value of a statement; how long it is decides, all the same, which plan is good. */
const sizeOf = (bindings: readonly unknown[]): number =>
  bindings.reduce<number>((size, value) => size + (Array.isArray(value) ? value.length : 1), 0);

function nameOf({ sql, bindings = [] }: Asked): string | undefined {
  if (sizeOf(bindings) > mostBindings || !/^(select|with)\b/.test(sql)) return undefined;
  const known = names.get(sql);
  if (known !== undefined || names.size >= mostNames) return known;
  const name = `cadro-${names.size}`;
  names.set(sql, name);
  return name;
}

/**
 * Asks under a name. Where a connection's plans were made for tables that have changed since, it asks once more without,
 * and gives the connection up afterwards. (Within a transaction, where it could not, statements have no names.)
 */
async function askByName(client: Client, connection: Connection, asked: Asked): Promise<unknown> {
  const ask = asking.get(client);
  if (!ask) throw new Error(notOpenedHere);
  const { options } = asked;
  const name = nameOf(asked);
  if (name !== undefined) asked.options = { ...options, name };
  sendTogether(connection);
  try {
    return await ask(connection, asked);
  } catch (error) {
    if (!isStalePlan(error)) throw error;
    connection.__knex__disposed = error;
    asked.options = { ...options };
    return ask(connection, asked);
  }
}

/** Has a database hand out its connections as Cadro's own, whoever they were for before. */
export function openedForHouse(db: Knex): Knex {
  const client = clientOf(db);
  taking.set(client, client.acquireConnection.bind(client));
  client.acquireConnection = () => handOut(client, client, beHouse);
  const ask = client._query.bind(client);
  asking.set(client, ask);
  client._query = (connection, asked) => askByName(client, connection, asked);
  return db;
}

/** A request keeps so many connections at most, and gives each back when it has not used it for so long. */
const held = { most: 3, idleMs: 20, longestWaitMs: 60_000 } as const;

/**
 * The database as one person may see it, for one request: every statement and every transaction of it runs on a
 * connection that knows the person. What they may see is reckoned anew, by the database, on each that the request takes;
 * it keeps the few that it has while it works, so that this is done seldom.
 */
export function personalDb(db: Knex, personId: string): Knex {
  const house = houseOf(db);
  const whole = wholes.get(house);
  if (whole) {
    if (whole.personId !== personId) throw new Error('a request that is one transaction is of one person');
    return whole.trx;
  }
  const root = clientOf(house);
  const request = {};
  const own = new Pool<Connection>({
    ...{ min: 0, max: held.most, acquireTimeoutMillis: held.longestWaitMs },
    ...{ idleTimeoutMillis: held.idleMs, reapIntervalMillis: held.idleMs },
    create: () => handOut(root, request, bePerson(personId)),
    validate: (connection) => !connection.__knex__disposed,
    destroy: (connection) => root.releaseConnection(connection),
  });
  const take = () => own.acquire().promise;
  const give = (connection: Connection) => void own.release(connection);
  const writes = Object.create(root, {
    acquireConnection: { value: take },
    releaseConnection: { value: (connection: Connection) => Promise.resolve(give(connection)) },
    // Who listens to statements listens to the house; a request leaves nothing there.
    _events: { value: {}, writable: true },
    _eventsCount: { value: 0, writable: true },
    emit: { value: root.emit.bind(root) },
    _query: { value: (connection: Connection, asked: Asked) => askByName(root, connection, asked) },
  }) as Client;
  // What is asked beside a transaction goes by one line, one after the other; a transaction has a line to itself.
  const line = sharedBy(take, give);
  const client = Object.create(writes, {
    acquireConnection: { value: () => line.take() },
    releaseConnection: { value: (connection: Connection) => Promise.resolve(line.give(connection)) },
    transaction: { value: (...given: unknown[]) => writes.transaction(...given) },
  }) as Client;
  const personal = makeKnex(client);
  houses.set(personal, house);
  people.set(personal, personId);
  return personal;
}

/**
 * Whether the person a request is for may write of a child, as the database itself has reckoned it: asked before Cadro
 * writes for them what no policy sees.
 */
export async function maySayOf(db: Knex, studentId: string): Promise<boolean> {
  const { rows } = await db.raw<{ rows: { may: boolean | null }[] }>(
    `select ?::uuid = any (nullif(current_setting('cadro.writes', true), '')::uuid[]) as may`,
    [studentId],
  );
  return rows[0]?.may === true;
}

/**
 * A transaction for Cadro itself: telling other guardians, ending links, computing for every household. Only what has
 * asked already who it is for may begin one.
 */
export const houseTransaction = <T>(db: Knex, work: (trx: Knex.Transaction) => Promise<T>): Promise<T> =>
  houseOf(db).transaction(work);

/** A step for Cadro itself within the transaction of a person, whose it is again afterwards. */
export async function houseWithin<T>(trx: Knex, work: () => Promise<T>): Promise<T> {
  const { rows } = await trx.raw<{ rows: { role: string }[] }>(
    `with was as materialized (select current_setting('role') as role)
     select role, set_config('role', 'none', true) from was`,
  );
  const done = await work();
  await trx.raw(`select set_config('role', ?, true)`, [rows[0]?.role ?? 'none']);
  return done;
}
