import { roles, type Me } from '@cadro/contract';
import { HttpProblem, type ServerDeps } from '../kit';
import { guardianById, linkedChildren, markLooked, type GuardianRow } from './store';

/** Who is signed in, as everything of the account is written for. */
export async function requireGuardian(
  { db }: Pick<ServerDeps, 'db'>,
  guardianId: string,
): Promise<GuardianRow> {
  const guardian = await guardianById(db, guardianId);
  if (!guardian) throw new HttpProblem('not-signed-in');
  return guardian;
}

/** Who one is and whose records one may see; that one has looked is put down. */
export async function meOf(deps: ServerDeps, guardianId: string): Promise<Me> {
  const { db, clock, config } = deps;
  const guardian = await requireGuardian(deps, guardianId);
  const now = await clock.now();
  await markLooked(db, guardianId, now);
  return {
    id: guardian.id,
    name: guardian.name,
    givenName: guardian.given_name,
    shownAs: guardian.shown_as,
    leavesAt: guardian.leaves_at?.toISOString() ?? null,
    email: guardian.email,
    confirmed: guardian.confirmed_at !== null,
    language: guardian.language,
    children: await linkedChildren(db, guardianId, roles),
    now: now.toISOString(),
    demo: config.demoSchoolUrl !== null,
  };
}
