import type { Deps, Trx } from '../../kit';
import { addToTrail } from '../trail/trailStore';
import * as store from './restrictionStore';

/** What is to happen below when something is held back, in the same transaction. */
export interface RestrictingHooks {
  /** Less of some children is to be told to some people than waits for them. */
  readonly onRestricted: (trx: Trx, guardianIds: readonly string[]) => Promise<void>;
}

/**
 * The school holds something back, from one person or from all but the child, from the next statement on: the rows are
 * gone for them, in pages, streams, calendars, letters under way and what is made for them later.
 * @returns false when it was held back already.
 */
export async function restrictIn(
  trx: Trx,
  restriction: store.Restriction,
  { onRestricted }: RestrictingHooks,
  at: Date,
): Promise<boolean> {
  if (!(await store.addRestriction(trx, restriction, at))) return false;
  const { studentId, personId: aboutId } = restriction;
  await addToTrail(trx, { at, kind: 'restricted', personId: null, studentId, aboutId });
  await onRestricted(trx, await store.restrictedAmong(trx, [studentId]));
  return true;
}

/** The school holds it back no longer. @returns whether there was such a restriction. */
export async function liftIn(trx: Trx, id: string, at: Date): Promise<boolean> {
  const was = await store.dropRestriction(trx, id);
  if (!was) return false;
  const { studentId, personId: aboutId } = was;
  await addToTrail(trx, { at, kind: 'lifted', personId: null, studentId, aboutId });
  return true;
}

/** {@link restrictIn} by itself. */
export async function restrict(
  { db, clock }: Deps,
  restriction: store.Restriction,
  hooks: RestrictingHooks,
): Promise<boolean> {
  const at = await clock.now();
  return db.transaction((trx) => restrictIn(trx, restriction, hooks, at));
}

/** {@link liftIn} by itself. */
export async function lift({ db, clock }: Deps, id: string): Promise<boolean> {
  const at = await clock.now();
  return db.transaction((trx) => liftIn(trx, id, at));
}
