import type { Db, Trx } from './database';

/**
 * Reads several things: at once over the pool, one after the other in a transaction, which has one connection.
 * @param db where they are read.
 */
export async function together<T extends readonly unknown[]>(
  db: Db | Trx,
  reads: readonly [...{ [K in keyof T]: () => PromiseLike<T[K]> }],
): Promise<T> {
  if (!db.isTransaction) return (await Promise.all(reads.map((read) => read()))) as unknown as T; // in their order
  const found: unknown[] = [];
  for (const read of reads) found.push(await read());
  return found as unknown as T; // in their order
}
