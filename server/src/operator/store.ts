import type { Db } from '../kit';

export interface OperatorRow {
  readonly id: string;
  readonly name: string;
  readonly password_hash: string;
}

const standing = (db: Db) => db<OperatorRow & { ended_at: Date | null }>('operators').whereNull('ended_at');

export const operatorByName = (db: Db, name: string): Promise<OperatorRow | undefined> =>
  standing(db).where({ name }).first('id', 'name', 'password_hash');

export const operatorById = (db: Db, id: string): Promise<OperatorRow | undefined> =>
  standing(db).where({ id }).first('id', 'name', 'password_hash');

/** Adds one, or gives one another password. */
export async function putOperator(db: Db, name: string, password_hash: string, now: Date): Promise<void> {
  await db('operators')
    .insert({ name, password_hash, made_at: now })
    .onConflict('name')
    .merge({ password_hash, ended_at: null });
}

/** @returns whether there was one. */
export const endOperator = async (db: Db, name: string, now: Date): Promise<boolean> =>
  (await standing(db).where({ name }).update({ ended_at: now })) === 1;
