import type { Deps, Trx } from '../../kit';
import { tellGuardians } from './notices';
import * as store from './peopleStore';

/** Ends a link and tells it. With a household's last guardian go those whom it let look. */
export async function endWithHousehold(
  trx: Trx,
  { student_id: studentId, guardian_id, household_id, role }: store.LinkRow,
  byId: string | null,
  now: Date,
): Promise<void> {
  const ofHousehold = (await store.linksOf(trx, [studentId])).filter(
    (each) => each.household_id === household_id,
  );
  const guards = ({ role: own, guardian_id: id }: store.LinkRow) => own === 'guardian' && id !== guardian_id;
  const alone = role === 'guardian' && !ofHousehold.some(guards);
  for (const ended of ofHousehold.filter((each) => alone || each.guardian_id === guardian_id)) {
    await store.endLink(trx, studentId, ended.guardian_id, now);
    const about = { studentId, aboutId: ended.guardian_id, byId, role: ended.role, now };
    await tellGuardians(trx, { kind: 'link-ended', ...about });
  }
}

/** Ends the links of helpers whose last day is over. @returns how many. */
export async function endOverdueLinks({ db, clock }: Deps): Promise<number> {
  const now = await clock.now();
  const links = await store.overdueLinks(db, now);
  for (const link of links) await db.transaction((trx) => endWithHousehold(trx, link, null, now));
  return links.length;
}
