import type { Db } from './database';

export interface TableSize {
  readonly name: string;
  readonly rows: number;
  readonly bytes: number;
}

/** Rows of every table, as the planner knows them, and what they take on disk: the largest first. */
export const tableSizes = async (db: Db): Promise<TableSize[]> =>
  (
    await db.raw<{ rows: TableSize[] }>(
      `select relname as name, greatest(reltuples, 0)::bigint as rows, pg_total_relation_size(oid) as bytes
       from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r' order by 3 desc, 1`,
    )
  ).rows;
