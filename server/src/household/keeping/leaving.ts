import { roles } from '@cadro/contract';
import type { Deps, ServerDeps } from '../../kit';
import { forgetChildren, leftBefore } from '../../records';
import { forgetArrivals } from '../door/arrivalStore';
import { forgetMails, wantAccountMail } from '../mail/accountMailStore';
import { forgetProofs } from '../mail/proofStore';
import { endWithHousehold } from '../people/ending';
import { linksOf } from '../people/peopleStore';
import { deleteGuardian, leavers, linkedChildren, setLeaving, type GuardianRow } from '../store';
import { seenSince } from './leftStore';
import { endSessions } from './sessionStore';

/** So long an account can be taken back. */
const days = 30;
const dayMs = 24 * 3_600_000;

/** The own account is deleted in thirty days; until then nothing is sent to it, and its owner can take it back. */
export async function leave({ db, clock }: Deps, guardian: GuardianRow, sid: string): Promise<void> {
  const now = await clock.now();
  const leavesAt = new Date(now.getTime() + days * dayMs);
  await db.transaction(async (trx) => {
    await setLeaving(trx, guardian.id, leavesAt);
    await endSessions(trx, guardian.id, sid);
    if (guardian.confirmed_at === null) return;
    const params = { name: guardian.given_name, until: leavesAt.toISOString().slice(0, 10) };
    await wantAccountMail(trx, guardian, { kind: 'leaving', params }, now);
  });
}

/** Deletes the accounts whose time is over, each by itself; what others have of the children stays. */
export async function removeLeavers({ db, clock }: Deps): Promise<number> {
  const now = await clock.now();
  const gone = await leavers(db, now);
  for (const guardian of gone) {
    const children = await linkedChildren(db, guardian.id, roles);
    await db.transaction(async (trx) => {
      const links = await linksOf(
        trx,
        children.map(({ id }) => id),
      );
      for (const link of links.filter(({ guardian_id }) => guardian_id === guardian.id))
        await endWithHousehold(trx, link, guardian.id, now);
      await endSessions(trx, guardian.id);
      await deleteGuardian(trx, guardian);
    });
  }
  return gone.length;
}

type Keeping = Pick<ServerDeps, 'db' | 'clock' | 'config'>;

/** Lets go of what has served: mails that went out, links in them, arrivals that were never confirmed. */
export async function sweepDoor({ db, clock, config }: Keeping): Promise<void> {
  const now = (await clock.now()).getTime();
  await forgetMails(db, new Date(now - config.retention.mailDays * dayMs));
  await forgetProofs(db, new Date(now - days * dayMs));
  await forgetArrivals(db, new Date(now - days * dayMs));
}

/**
 * Deletes the records of children who have left: whose last term is over for as long as the operator keeps them, and whom
 * nobody has seen since.
 * @returns how many.
 */
export async function removeLeft({ db, clock, config }: Keeping): Promise<number> {
  const before = new Date((await clock.now()).getTime() - config.retention.leftDays * dayMs);
  const left = await leftBefore(db, before);
  const seen = new Set(await seenSince(db, left, before));
  const gone = left.filter((id) => !seen.has(id));
  await forgetChildren(db, gone);
  return gone.length;
}
