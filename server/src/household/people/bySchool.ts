import type { Language, Role } from '@cadro/contract';
import { seal, type Db, type ServerDeps, type Trx } from '../../kit';
import { addressOfCode, giveCode, invitationDays } from '../door/giveCode';
import { wantAccountMail } from '../mail/accountMailStore';
import { studentNames } from '../store';
import { endWithHousehold } from './ending';
import { tellGuardians } from './notices';
import * as store from './peopleStore';
import { withheldFrom } from './restrictionStore';

type Deps = Pick<ServerDeps, 'db' | 'clock' | 'config'>;

/**
 * The school invites somebody by mail.
 * @throws Error for a child there is not.
 * @returns the address that the mail leads to.
 */
export async function inviteByMail(
  { db, clock, config }: Deps,
  invitation: { to: string; studentIds: readonly string[]; role: Role; language: Language },
): Promise<{ address: string }> {
  const { to, studentIds, role, language } = invitation;
  const now = await clock.now();
  const names = await studentNames(db, studentIds);
  const unknown = studentIds.find((id) => !names.has(id));
  if (unknown !== undefined) throw new Error(`there is no child ${unknown}`);
  return db.transaction(async (trx) => {
    const { code } = await giveCode(trx, invitationDays, {
      ...{ issuer: 'school', role, invitedBy: null, householdId: null, email: to, studentIds, now },
    });
    const params = { child: [...names.values()].join(', '), role, code: seal(config.secret, code) };
    await wantAccountMail(trx, { id: null, email: to, language }, { kind: 'school-invitation', params }, now);
    return { address: addressOfCode(config.publicUrl, code) };
  });
}

/** Everybody who sees some children, with the ids that commands take. */
export async function linksFor(db: Db, children: readonly { studentId: string; givenName: string }[]) {
  const names = new Map(children.map(({ studentId, givenName }) => [studentId, givenName]));
  const links = await store.linksOf(db, [...names.keys()]);
  const held = await withheldFrom(db, [...names.keys()]);
  return links.map((link) => ({
    studentId: link.student_id,
    child: names.get(link.student_id) ?? '',
    personId: link.guardian_id,
    person: link.name,
    role: link.role,
    since: link.linked_at,
    until: link.ends_on,
    namedAs: link.named_as,
    withheld: held.flatMap(({ student_id, guardian_id, what }) =>
      student_id === link.student_id && guardian_id === link.guardian_id ? [what] : [],
    ),
    suspended: link.suspended_at !== null,
  }));
}

const linkOf = async (trx: Trx, studentId: string, personId: string) =>
  (await store.linksOf(trx, [studentId])).find(({ guardian_id }) => guardian_id === personId);

/** The school has answered an objection: the link opens the record again. @returns whether there was one. */
export async function answerObjection(
  { db, clock }: Pick<Deps, 'db' | 'clock'>,
  studentId: string,
  personId: string,
): Promise<boolean> {
  const now = await clock.now();
  return db.transaction(async (trx) => {
    if (!(await store.restoreLink(trx, studentId, personId, now))) return false;
    const role = (await linkOf(trx, studentId, personId))?.role;
    await tellGuardians(trx, {
      kind: 'restored',
      ...{ studentId, aboutId: personId, byId: null, role: role ?? 'guardian', now },
    });
    return true;
  });
}

/**
 * The school ends a link, from the next request on; only a code of its own opens the record to that person again. With a
 * household's last guardian go those whom it let look.
 * @returns whether there was one.
 */
export async function endLinkBySchool(
  { db, clock }: Pick<Deps, 'db' | 'clock'>,
  studentId: string,
  personId: string,
): Promise<boolean> {
  const now = await clock.now();
  return db.transaction(async (trx) => {
    const link = await linkOf(trx, studentId, personId);
    if (!link) return false;
    await endWithHousehold(trx, link, null, now);
    await store.barLink(trx, studentId, personId, now);
    return true;
  });
}

export interface Objection {
  readonly studentId: string;
  readonly child: string;
  readonly personId: string;
  readonly person: string;
  readonly at: Date;
}

/** What guardians have objected to and the school has not answered. */
export async function openObjections(db: Db): Promise<Objection[]> {
  const rows = await store.suspendedLinks(db);
  return rows.map(({ student_id, given_name, guardian_id, name, suspended_at }) => ({
    ...{ studentId: student_id, child: given_name, personId: guardian_id, person: name, at: suspended_at },
  }));
}
