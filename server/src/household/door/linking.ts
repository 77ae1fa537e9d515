import type { Child, WayIn } from '@cadro/contract';
import { houseTransaction, HttpProblem, type Deps } from '../../kit';
import { roles } from '@cadro/contract';
import { linkedChildren } from '../store';
import { linkBy, shownWay, wayBy, type HouseholdHooks } from './ways';

/** Whose record a code opens. Nothing is written. */
export async function previewLink({ db, clock }: Deps, guardianId: string, code: string): Promise<WayIn> {
  const now = await clock.now();
  return houseTransaction(db, async (trx) => {
    const way = await wayBy(trx, code, now);
    const linked = await linkedChildren(trx, guardianId, roles);
    if (way.children.every(({ id }) => linked.some((child) => child.id === id)))
      throw new HttpProblem('already-linked');
    return shownWay(way);
  });
}

/** Uses a code up and links its children, all or nothing. @returns the first of them. */
export async function linkChild(
  { db, clock }: Deps,
  guardianId: string,
  code: string,
  hooks: HouseholdHooks,
): Promise<Child> {
  const now = await clock.now();
  return houseTransaction(db, async (trx) => {
    const [child] = await linkBy(trx, await wayBy(trx, code, now), guardianId, now, hooks);
    if (!child) throw new Error('the link just written cannot be read');
    return child;
  });
}
