import type { Db } from '../kit';

export interface OperatorRow {
  readonly id: string;
  readonly name: string;
  readonly password_hash: string;
  readonly secret_sealed: string;
  readonly last_step: number;
}

const standing = (db: Db) => db<OperatorRow & { ended_at: Date | null }>('operators').whereNull('ended_at');

export const operatorByName = (db: Db, name: string): Promise<OperatorRow | undefined> =>
  standing(db).where({ name }).first();

export const operatorById = (db: Db, id: string): Promise<OperatorRow | undefined> =>
  standing(db).where({ id }).first();

/** Adds one, or gives one another password and another secret. */
export async function putOperator(
  db: Db,
  operator: Omit<OperatorRow, 'id' | 'last_step'>,
  now: Date,
): Promise<void> {
  await db('operators')
    .insert({ ...operator, made_at: now })
    .onConflict('name')
    .merge({ ...operator, last_step: 0, ended_at: null });
}

/** Of two that bring the same code at once, one is late. @returns whether it was good. */
export const useOperatorStep = async (db: Db, id: string, step: number): Promise<boolean> =>
  (await standing(db).where({ id }).where('last_step', '<', step).update({ last_step: step })) === 1;

/** @returns whether there was one. */
export const endOperator = async (db: Db, name: string, now: Date): Promise<boolean> =>
  (await standing(db).where({ name }).update({ ended_at: now })) === 1;
