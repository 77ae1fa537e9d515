import type { Deps } from '../../kit';
import { lift, restrict, type RestrictingHooks } from '../people/restricting';
import { heldBy, toldBy, type Told } from './toldStore';

const keyOf = ({ studentId, personId, what, courseId }: Told): string =>
  [studentId, personId, what, courseId].join(' ');

/** After a reading: what the school holds back now is held back, and what it no longer does is not; the operator's stays. */
export async function followRestrictions(
  deps: Deps,
  sourceId: string,
  hooks: RestrictingHooks,
): Promise<void> {
  const [told, held] = await Promise.all([toldBy(deps.db, sourceId), heldBy(deps.db, sourceId)]);
  const known = new Set(held.map(keyOf));
  const meant = new Set(told.map(keyOf));
  for (const each of told) if (!known.has(keyOf(each))) await restrict(deps, { ...each, sourceId }, hooks);
  for (const each of held) if (!meant.has(keyOf(each))) await lift(deps, each.id);
}
