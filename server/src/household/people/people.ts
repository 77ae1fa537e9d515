import {
  roles,
  type Child,
  type Invite,
  type LinkedPerson,
  type People,
  type PeopleNotice,
  type Role,
} from '@cadro/contract';
import { dateIn, daysAfter } from '@cadro/core';
import { houseTransaction, HttpProblem, seal, type Deps, type ServerDeps } from '../../kit';
import { childrenFor, requireChild } from '../access';
import { addressOfCode, giveCode, invitationDays } from '../door/giveCode';
import type { Helps } from '../door/invitationStore';
import { wantAccountMail } from '../mail/accountMailStore';
import { requireGuardian } from '../me';
import { familyWith, linkedChildren, type GuardianRow } from '../store';
import { addToTrail } from '../trail/trailStore';
import { noticesOf, type NoticeRow } from './noticeStore';
import { endWithHousehold } from './ending';
import { mayName, tellGuardians } from './notices';
import * as store from './peopleStore';

const dayMs = 24 * 3_600_000;
/** How long a link counts as new, so that one may object to it. */
const newForDays = 30;
/** A child shows its code on its own screen: it is used the same evening. */
const childsCodeDays = 1;

interface Looking {
  readonly me: GuardianRow;
  /** The own role with the child. */
  readonly role: Role;
  readonly now: Date;
}

/** What may be done about a link: by a guardian, to those of the own household whom a guardian of it invited. */
function powersOver(link: store.LinkRow, { me, role, now }: Looking) {
  const isMe = link.guardian_id === me.id;
  const guardian = role === 'guardian' && !isMe;
  const ours = link.household_id === me.household_id;
  const invitedHere =
    ours && link.invited_by !== null && (link.issuer === 'guardian' || link.issuer === 'child');
  const isNew = now.getTime() - link.linked_at.getTime() < newForDays * dayMs;
  // A guardian whom the school let in goes by themself, or by the school's word.
  const mayEnd = isMe
    ? link.role !== 'student'
    : guardian && ours && (link.role !== 'guardian' || invitedHere);
  return {
    mayEnd,
    mayChange: guardian && invitedHere && ['guardian', 'look-only'].includes(link.role),
    // Whose link one may end needs no objection.
    mayObject: guardian && !mayEnd && isNew && link.suspended_at === null && link.answered_at === null,
  };
}

function personView(
  link: store.LinkRow,
  all: readonly store.LinkRow[],
  titles: ReadonlyMap<string, string>,
  looking: Looking,
): LinkedPerson {
  const { me } = looking;
  const inviter = all.find(({ guardian_id }) => guardian_id === link.invited_by);
  return {
    id: link.guardian_id,
    name: mayName(me.household_id, link) ? link.name : null,
    role: link.role,
    since: link.linked_at.toISOString(),
    issuer: link.issuer,
    invitedBy: inviter && mayName(me.household_id, inviter) ? inviter.name : null,
    you: link.guardian_id === me.id,
    ours: link.household_id === me.household_id,
    courses: link.courses?.flatMap((id) => titles.get(id) ?? []) ?? null,
    until: link.ends_on,
    suspended: link.suspended_at !== null,
    ...powersOver(link, looking),
  };
}

const noticeView = (row: NoticeRow, me: GuardianRow): PeopleNotice => ({
  id: row.id,
  kind: row.kind,
  studentId: row.student_id,
  name: row.about_household === me.household_id || row.about_shows === true ? row.about_name : null,
  role: row.params.role ?? null,
  device: row.params.device ?? null,
  at: row.at.toISOString(),
  read: row.read_at !== null,
});

/** Only guardians see who beside the own household sees a child; the own household stands first. */
const seenBy = (links: readonly store.LinkRow[], { me, role }: Looking): readonly store.LinkRow[] =>
  [...links]
    .filter(({ household_id }) => role === 'guardian' || household_id === me.household_id)
    .sort((a, b) => Number(b.household_id === me.household_id) - Number(a.household_id === me.household_id));

/** Who sees which child, and what has changed, as far as who asks may know. */
export async function peopleOf(deps: ServerDeps, guardianId: string): Promise<People> {
  const { db, clock } = deps;
  const me = await requireGuardian(deps, guardianId);
  const now = await clock.now();
  const children = await linkedChildren(db, guardianId, roles);
  const links = await store.linksOf(
    db,
    children.map(({ id }) => id),
  );
  const courses = await store.coursesOf(
    db,
    children.map(({ id }) => id),
    now,
  );
  const titles = new Map(courses.map(({ course_id, title }) => [course_id, title]));
  const inviters = await invitersFor(deps, me);
  const open = await store.openInvitations(db, inviters, now);
  return {
    children: children.map(({ id, givenName, role }) => {
      const looking = { me, role, now };
      const own = seenBy(
        links.filter(({ student_id }) => student_id === id),
        looking,
      );
      return {
        ...{ studentId: id, givenName, role },
        people: own.map((link) => personView(link, own, titles, looking)),
        invitations:
          role === 'guardian' || role === 'student'
            ? open.filter(({ student_id }) => student_id === id).map(invitationView)
            : [],
        courses:
          role === 'guardian'
            ? courses.flatMap((row) =>
                row.student_id === id ? [{ id: row.course_id, title: row.title }] : [],
              )
            : [],
      };
    }),
    showsItself: await store.showsItself(db, me.household_id),
    notices: (await noticesOf(db, guardianId)).map((row) => noticeView(row, me)),
  };
}

const invitationView = (row: store.OpenInvitationRow) => ({
  ...{ id: row.id, role: row.role, email: row.email },
  madeAt: row.made_at.toISOString(),
  expiresAt: row.expires_at.toISOString(),
});

/** Whose invitations one may see and take back: the guardians of a household share theirs, a child has its own. */
async function invitersFor({ db }: Deps, me: GuardianRow): Promise<readonly string[]> {
  const guarded = await childrenFor(db, me.id, 'manage-people');
  return guarded.length > 0 ? store.membersOf(db, me.household_id) : [me.id];
}

/** The children an invitation is for, by a guardian of all of them, or by the one child itself for a guardian. */
async function invitedChildren(
  { db }: Deps,
  guardianId: string,
  { studentIds, role }: Invite,
): Promise<Child[]> {
  const linked = await linkedChildren(db, guardianId, roles);
  const own = studentIds.map((studentId) => linked.find(({ id }) => id === studentId));
  const children = own.flatMap((child) => (child ? [child] : []));
  if (children.length < studentIds.length) throw new HttpProblem('not-found');
  const byItself = children.every((child) => child.role === 'student') && role === 'guardian';
  if (!byItself && children.some((child) => child.role !== 'guardian')) throw new HttpProblem('forbidden');
  // A child's own account holds one record.
  if (role === 'student' && children.length > 1) throw new HttpProblem('bad-request');
  return children;
}

/** A helper may be let in for so many days. */
const helpDays = 366;

/** What a helper is to see, of one child and until a day that is not over; nothing of the kind for anybody else. */
async function checkedHelp(
  { db }: Deps,
  { role, helps }: Invite,
  children: readonly Child[],
  now: Date,
): Promise<Helps | null> {
  if ((role === 'helper') !== (helps !== undefined)) throw new HttpProblem('bad-request');
  if (!helps) return null;
  const [child, ...others] = children;
  if (!child || others.length > 0) throw new HttpProblem('bad-request');
  const today = dateIn(child.timeZone, now);
  if (helps.until < today || helps.until > daysAfter(today, helpDays)) throw new HttpProblem('bad-request');
  const known = new Set((await store.coursesOf(db, [child.id], now)).map(({ course_id }) => course_id));
  if (!helps.courseIds.every((id) => known.has(id))) throw new HttpProblem('not-found');
  return helps;
}

/** Whether a child that has come by itself has nobody in its household who looks after it. */
async function isAlone({ db }: Deps, me: GuardianRow, children: readonly Child[]): Promise<boolean> {
  const [child] = children;
  if (!child) return false;
  const family = await familyWith(db, { householdId: me.household_id, studentId: child.id });
  return !family.some(({ role }) => role === 'guardian');
}

/** Makes a code for somebody, and sends it where an address is given. It is shown once and kept as its hash. */
export async function invite(deps: ServerDeps, guardianId: string, invitation: Invite) {
  const { db, clock, config } = deps;
  const { role, email, together } = invitation;
  const children = await invitedChildren(deps, guardianId, invitation);
  const me = await requireGuardian(deps, guardianId);
  const byChild = children.some((child) => child.role === 'student');
  const now = await clock.now();
  const helps = await checkedHelp(deps, invitation, children, now);
  // A child belongs to the household that invited it, and who only looks does so with it. A guardian whom the child lets
  // in is of its household where it has none yet.
  const joins = byChild ? await isAlone(deps, me, children) : together || role !== 'guardian';
  const given = await houseTransaction(db, async (trx) => {
    const made = await giveCode(trx, byChild ? childsCodeDays : invitationDays, {
      issuer: byChild ? 'child' : 'guardian',
      householdId: joins ? me.household_id : null,
      studentIds: children.map((child) => child.id),
      ...{ role, email, invitedBy: guardianId, helps, now },
    });
    const deed = { at: now, kind: 'invited', personId: guardianId, params: { role } } as const;
    await addToTrail(trx, ...children.map(({ id }) => ({ ...deed, studentId: id })));
    if (email === null) return made;
    const names = children.map(({ givenName }) => givenName).join(', ');
    const params = { inviter: me.name, child: names, role, code: seal(config.secret, made.code) };
    await wantAccountMail(
      trx,
      { id: null, email, language: me.language },
      { kind: 'invitation', params },
      now,
    );
    return made;
  });
  const { id, code, expiresAt } = given;
  return { id, code, address: addressOfCode(config.publicUrl, code), expiresAt: expiresAt.toISOString() };
}

export async function withdraw(deps: ServerDeps, guardianId: string, invitationId: string): Promise<void> {
  const inviters = await invitersFor(deps, await requireGuardian(deps, guardianId));
  const now = await deps.clock.now();
  if (!(await store.withdrawInvitation(deps.db, inviters, invitationId, now)))
    throw new HttpProblem('not-found');
}

interface OnePerson {
  readonly studentId: string;
  readonly personId: string;
}

/** A link as somebody else sees it, with what they may do about it; 404 where they do not see it. */
async function linkAndPowers(deps: ServerDeps, guardianId: string, { studentId, personId }: OnePerson) {
  const { role } = await requireChild(deps.db, guardianId, studentId, 'read-record');
  const me = await requireGuardian(deps, guardianId);
  const looking = { me, role, now: await deps.clock.now() };
  const links = await store.linksOf(deps.db, [studentId]);
  const link = seenBy(links, looking).find(({ guardian_id }) => guardian_id === personId);
  if (!link) throw new HttpProblem('not-found');
  return { link, links, me, now: looking.now, ...powersOver(link, looking) };
}

/**
 * Ends a link, one's own or one that the household gave, from the next request on: what waits to go out (alerts,
 * digests, calendars) looks at the link first.
 */
export async function endLink(deps: ServerDeps, guardianId: string, which: OnePerson): Promise<void> {
  const { link, mayEnd, now } = await linkAndPowers(deps, guardianId, which);
  if (!mayEnd) throw new HttpProblem('forbidden');
  await houseTransaction(deps.db, (trx) => endWithHousehold(trx, link, guardianId, now));
}

export async function changeRole(
  deps: ServerDeps,
  guardianId: string,
  which: OnePerson,
  role: 'guardian' | 'look-only',
): Promise<void> {
  const { mayChange, now } = await linkAndPowers(deps, guardianId, which);
  if (!mayChange) throw new HttpProblem('forbidden');
  await houseTransaction(deps.db, async (trx) => {
    await store.setRole(trx, which.studentId, which.personId, role);
    const about = { studentId: which.studentId, aboutId: which.personId, byId: guardianId, role, now };
    await tellGuardians(trx, { kind: 'role-changed', ...about });
  });
}

/** Objects to a new link: it opens nothing from the next request on, until the school has answered. */
export async function objectTo(deps: ServerDeps, guardianId: string, which: OnePerson): Promise<void> {
  const { link, mayObject, now } = await linkAndPowers(deps, guardianId, which);
  if (!mayObject) throw new HttpProblem('forbidden');
  deps.log.warn({ kind: 'objection' }, 'a guardian has objected to a link: the school is to answer');
  await houseTransaction(deps.db, async (trx) => {
    await store.suspendLink(trx, which.studentId, which.personId, guardianId, now);
    const about = {
      studentId: which.studentId,
      aboutId: which.personId,
      byId: guardianId,
      role: link.role,
      now,
    };
    await tellGuardians(trx, { kind: 'suspended', ...about });
  });
}
