import type { Knex } from 'knex';
import makeKnex from 'knex/lib/knex-builder/make-knex';
import { readAs } from './whose';

type Trx = Knex.Transaction;

/** What this file needs of a connection and of Knex's client, which Knex types as anything. */
interface Connection {
  query(asked: string): Promise<{ rows: { role: string }[] }>;
}
type Query = (connection: Connection, asked: unknown) => Promise<unknown>;
interface Client {
  readonly query: Query;
  acquireConnection(): Promise<Connection>;
  releaseConnection(connection: Connection): Promise<void>;
}
const clientOf = (db: Knex): Client => db.client as Client;

type Told = (error: unknown, result?: unknown) => void;

/** A connection that is asked one thing after the other, and by one alone where several things belong together. */
class Gate {
  private last: Promise<unknown> = Promise.resolve();
  /** The connection as Knex uses it. */
  readonly connection: Connection;

  constructor(readonly inside: Connection) {
    const ask = (asked: string, told?: Told): Promise<unknown> | void => {
      const answer = this.alone(() => inside.query(asked));
      if (!told) return answer;
      answer.then((result) => told(null, result), told);
    };
    this.connection = Object.create(inside, { query: { value: ask } }) as Connection;
  }

  alone<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.last.then(work);
    this.last = mine.catch(() => undefined);
    return mine;
  }
}

const as = (role: string): string => `select set_config('role', '${role}', true)`;

/**
 * Within a person's transaction, the database in which nothing of them is left out: each statement, and each transaction
 * of it, is Cadro's own, and what follows is the person's again.
 */
function houseIn(trx: Trx, gate: Gate, role: string): Knex {
  const client = clientOf(trx);
  // What Knex does with a connection, below what it does for a transaction: the gate is taken here.
  const query = (Object.getPrototypeOf(client) as Client).query;
  const asHouse: Query = (_connection, asked) =>
    gate.alone(async () => {
      await gate.inside.query(as('none'));
      try {
        return await query.call(client, gate.inside, asked);
      } finally {
        // After an error nothing is heard any more until it is taken back, and the role with it.
        await gate.inside.query(as(role)).catch(() => undefined);
      }
    });
  const house = makeKnex(Object.create(client, { query: { value: asHouse } }));
  house.isTransaction = true;
  const transaction = (work: (inner: Trx) => Promise<unknown>) =>
    trx.transaction(async (inner) => {
      await inner.raw(as('none'));
      const done = await work(inner);
      await inner.raw(as(role));
      return done;
    });
  Object.assign((house as unknown as { context: object }).context, { transaction });
  return house;
}

/**
 * One transaction for all that a request of a person does, whatever transactions it is made of: either all of it is
 * kept, or nothing.
 */
export async function inOneTransaction<T>(db: Knex, work: (trx: Trx) => Promise<T>): Promise<T> {
  const client = clientOf(db);
  const inside = await client.acquireConnection();
  try {
    const { rows } = await inside.query(`select current_setting('role') as role`);
    const role = rows[0]?.role ?? 'none';
    const gate = new Gate(inside);
    return await db.transaction(
      (trx) => {
        readAs(trx, { house: role === 'none' ? trx : houseIn(trx, gate, role), person: db });
        return work(trx);
      },
      { connection: gate.connection },
    );
  } finally {
    await client.releaseConnection(inside);
  }
}
