import type { Trx } from '../../kit';
import { liftIn, restrictIn, type RestrictingHooks } from '../people/restricting';
import type { Of } from './namedStore';
import { heldBy, toldBy, type Told } from './toldStore';

const keyOf = ({ sourceId, studentId, personId, what, courseId }: Told): string =>
  [sourceId, studentId, personId, what, courseId].join(' ');

/** What the school holds back now is held back, and what it no longer does is not; the operator's stays. */
export async function followRestrictions(
  trx: Trx,
  of: Of,
  hooks: RestrictingHooks,
  now: Date,
): Promise<void> {
  const told = new Map((await toldBy(trx, of)).map((each) => [keyOf(each), each]));
  const held = new Map((await heldBy(trx, of)).map((each) => [keyOf(each), each]));
  for (const [key, each] of told) if (!held.has(key)) await restrictIn(trx, each, hooks, now);
  for (const [key, each] of held) if (!told.has(key)) await liftIn(trx, each.id, now);
}
