import type { NoticeKind, Role } from '@cadro/contract';
import { type Db, type Trx } from '../../kit';
import { wantAccountMail } from '../mail/accountMailStore';
import { guardedBy, guardianById, guardiansByIds, studentNames, type GuardianRow } from '../store';
import { addToTrail } from '../trail/trailStore';
import { addNotices } from './noticeStore';
import { linksOf, type LinkRow } from './peopleStore';

/** Something that has happened to who sees a child. */
export interface Happening {
  /** Who did it; null for the school. */
  readonly byId: string | null;
  readonly kind: Extract<NoticeKind, 'link-made' | 'link-ended' | 'role-changed' | 'suspended' | 'restored'>;
  readonly studentId: string;
  readonly aboutId: string;
  readonly role: Role;
  readonly now: Date;
}

/** Whether one person may know another by name: of the own household, or of one that shows itself. */
export const mayName = (
  ownHousehold: string,
  { household_id, shows_itself }: Pick<LinkRow, 'household_id' | 'shows_itself'>,
): boolean => household_id === ownHousehold || shows_itself;

/** Puts it down in the trail, and tells every guardian of the child, in the app and by mail, but for whom it is about. */
export async function tellGuardians(
  trx: Trx,
  { kind, studentId, aboutId, byId, role, now }: Happening,
): Promise<void> {
  await addToTrail(trx, { at: now, kind, personId: byId, studentId, aboutId, params: { role } });
  const links = await linksOf(trx, [studentId]);
  const told = links.filter(
    ({ guardian_id, role: own, suspended_at }) =>
      own === 'guardian' && suspended_at === null && guardian_id !== aboutId,
  );
  await addNotices(
    trx,
    told.map(({ guardian_id }) => ({
      ...{ guardian_id, student_id: studentId, kind, about_id: aboutId, params: { role }, at: now },
    })),
  );
  const about = await guardianById(trx, aboutId);
  const names = await studentNames(trx, [studentId]);
  const receivers = await guardiansByIds(
    trx,
    told.map(({ guardian_id }) => guardian_id),
  );
  const shows = links.some(({ guardian_id, shows_itself }) => guardian_id === aboutId && shows_itself);
  for (const receiver of receivers) {
    if (receiver.confirmed_at === null) continue;
    const known = about && (about.household_id === receiver.household_id || shows);
    const params = { child: names.get(studentId) ?? '', who: known ? about.name : '', role };
    await wantAccountMail(trx, receiver, { kind: `notice-${kind}`, params }, now);
  }
}

/** A device or an address of a person: told to the other guardians of the children they see who may know them. */
export async function tellOfPerson(
  db: Db | Trx,
  about: GuardianRow,
  kind: Extract<NoticeKind, 'new-device' | 'address-changed'>,
  params: { readonly device?: string },
  now: Date,
): Promise<void> {
  const links = await linksOf(db, await guardedBy(db, about.id));
  const shows = links.some(({ guardian_id, shows_itself }) => guardian_id === about.id && shows_itself);
  const ids = links
    .filter(({ guardian_id, role, suspended_at }) => {
      return guardian_id !== about.id && role === 'guardian' && suspended_at === null;
    })
    .filter(({ household_id }) => shows || household_id === about.household_id)
    .map(({ guardian_id }) => guardian_id);
  const receivers = await guardiansByIds(db, [...new Set(ids)]);
  await addNotices(
    db,
    receivers.map(({ id }) => ({
      ...{ guardian_id: id, student_id: null, kind, about_id: about.id, params, at: now },
    })),
  );
  for (const receiver of receivers.filter(({ confirmed_at }) => confirmed_at !== null)) {
    const named = { who: about.name, device: params.device ?? '' };
    await wantAccountMail(db, receiver, { kind: `notice-${kind}`, params: named }, now);
  }
}
