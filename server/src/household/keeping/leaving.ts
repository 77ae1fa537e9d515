import { roles } from '@cadro/contract';
import type { Deps } from '../../kit';
import { forgetArrivals } from '../door/arrivalStore';
import { forgetMails, wantAccountMail } from '../mail/accountMailStore';
import { forgetProofs } from '../mail/proofStore';
import { endWithHousehold } from '../people/ending';
import { linksOf } from '../people/peopleStore';
import { deleteGuardian, leavers, linkedChildren, setLeaving, type GuardianRow } from '../store';
import { endSessions } from './sessionStore';

/** So long an account can be taken back. */
const days = 30;
/** So long it is known what was sent. */
const mailDays = 180;
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

/** Lets go of what has served: mails that went out, links in them, arrivals that were never confirmed. */
export async function sweepDoor({ db, clock }: Deps): Promise<void> {
  const now = (await clock.now()).getTime();
  await forgetMails(db, new Date(now - mailDays * dayMs));
  await forgetProofs(db, new Date(now - days * dayMs));
  await forgetArrivals(db, new Date(now - days * dayMs));
}
