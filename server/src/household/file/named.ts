import type { Deps } from '../../kit';
import { endLinkBySchool } from '../people/bySchool';
import { noLongerNamed, putNamed } from './namedStore';

/** After a reading: whom the school no longer names for a child sees its record no more, from the next request on. */
export async function followNames(deps: Deps, sourceId: string): Promise<void> {
  for (const { studentId, guardianId } of await noLongerNamed(deps.db, sourceId))
    await endLinkBySchool(deps, studentId, guardianId);
  await putNamed(deps.db, sourceId);
}
