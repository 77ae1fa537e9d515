import { houseTransaction, HttpProblem, type Deps, type Trx } from '../../kit';
import { namedFor } from '../../records';
import { endLinkBySchool } from '../people/bySchool';
import type { RestrictingHooks } from '../people/restricting';
import { noLongerNamed, putNamed, setNamed } from './namedStore';
import { followRestrictions } from './told';

/**
 * After a reading: whom the school no longer names for a child sees its record no more, from the next request on; what it
 * holds back now is held back, and what it no longer does is not.
 */
export async function followSchool(deps: Deps, sourceId: string, hooks: RestrictingHooks): Promise<void> {
  const now = await deps.clock.now();
  for (const { studentId, guardianId } of await noLongerNamed(deps.db, sourceId))
    await endLinkBySchool(deps, studentId, guardianId);
  await deps.db.transaction(async (trx) => {
    await putNamed(trx, { sourceId });
    await followRestrictions(trx, { sourceId }, hooks, now);
  });
}

/** Somebody has been linked, or has confirmed an address: what the school holds back from them holds from now on. */
export async function meetSchool(
  trx: Trx,
  studentIds: string[],
  hooks: RestrictingHooks,
  now: Date,
): Promise<void> {
  await putNamed(trx, { studentIds });
  await followRestrictions(trx, { studentIds }, hooks, now);
}

interface Naming {
  readonly studentId: string;
  readonly personId: string;
  /** By the school's id of them; null: nobody whom it names. */
  readonly agent: string | null;
}

/**
 * The operator says as whom the school names somebody, where the addresses differ.
 * @throws HttpProblem `not-found` for one whom the school does not name.
 * @returns whether there is such a link.
 */
export async function nameAs(
  { db, clock }: Deps,
  { agent, ...link }: Naming,
  hooks: RestrictingHooks,
): Promise<boolean> {
  const now = await clock.now();
  const named = await namedFor(db, link.studentId);
  if (agent !== null && !named.some((each) => each.agent === agent)) throw new HttpProblem('not-found');
  return houseTransaction(db, async (trx) => {
    if (!(await setNamed(trx, link, agent))) return false;
    await followRestrictions(trx, { studentIds: [link.studentId] }, hooks, now);
    return true;
  });
}
