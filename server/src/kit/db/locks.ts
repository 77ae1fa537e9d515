import type { Trx } from './database';

/** One at a time for each key, in whatever process, until the transaction ends. */
export async function oneAtATime(trx: Trx, keys: readonly string[]): Promise<void> {
  await trx.raw(
    `select pg_advisory_xact_lock(hashtextextended(key, 0)) from (select unnest(?::text[]) as key order by 1) k`,
    [[...keys].sort()],
  );
}

/** Likewise, but only those that nobody else has at this moment; nobody is waited for. @returns which. */
export async function ifNobodyElse(trx: Trx, keys: readonly string[]): Promise<string[]> {
  const { rows } = await trx.raw<{ rows: { key: string }[] }>(
    `select key from unnest(?::text[]) as key where pg_try_advisory_xact_lock(hashtextextended(key, 0))`,
    [[...keys]],
  );
  return rows.map(({ key }) => key);
}
