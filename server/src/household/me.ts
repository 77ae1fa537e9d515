import { roles, type Me } from '@cadro/contract';
import { HttpProblem, type ServerDeps } from '../kit';
import { guardianById, linkedChildren, markLooked, setAgreed, type GuardianRow } from './store';
import { addToTrail } from './trail/trailStore';

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
    consent: config.consent && config.consent.version !== guardian.agreed_to ? config.consent : null,
    agreed:
      guardian.agreed_to && guardian.agreed_at
        ? { version: guardian.agreed_to, at: guardian.agreed_at.toISOString() }
        : null,
    children: await linkedChildren(db, guardianId, roles),
    keeps: config.retention,
    now: now.toISOString(),
    demo: config.demoSchoolUrl !== null,
  };
}

/**
 * Somebody agrees to what the operator asks for: put down with its edition, and in the trail.
 * @throws HttpProblem `bad-request` for another edition than is asked for.
 */
export async function agree(deps: ServerDeps, guardianId: string, version: string): Promise<Me> {
  const { db, clock, config } = deps;
  if (version !== config.consent?.version) throw new HttpProblem('bad-request');
  const now = await clock.now();
  await db.transaction(async (trx) => {
    await setAgreed(trx, guardianId, version, now);
    await addToTrail(trx, { at: now, kind: 'agreed', personId: guardianId, params: { to: version } });
  });
  return meOf(deps, guardianId);
}
