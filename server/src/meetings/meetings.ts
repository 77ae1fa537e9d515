import type { AnswerOf, Child, Meeting, MeetingChange, meetingRoutes, NewMeeting } from '@cadro/contract';
import { contactsFor } from '../contacts';
import type { FoundRow } from '../followups';
import { childrenFor, householdOf, requireChild } from '../household';
import { HttpProblem, takeTry, type Db, type Deps } from '../kit';
import { offeredSlots } from '../records';
import { invitationsJob } from './jobs';
import * as guests from './guestStore';
import * as store from './store';

const guestView = (row: guests.GuestRow, sequence: number): Meeting['guests'][number] => ({
  ...{ id: row.id, name: row.name, address: row.address, answer: row.answer },
  ...{ answeredAt: row.answered_at?.toISOString() ?? null, answeredBy: row.answered_by },
  ...{ words: row.words, wordsBy: row.words_by },
  state: row.came_back ? 'came-back' : row.told_sequence === sequence ? 'told' : 'on-its-way',
});

const view = (row: store.MeetingRow, invited: readonly guests.GuestRow[], timeZone: string): Meeting => ({
  ...{ id: row.id, studentId: row.student_id, teacherId: row.teacher_id, teacherName: row.teacher_name },
  ...{ offered: row.slot_id !== null, way: row.way, place: row.place, href: row.href, timeZone },
  ...{ startsAt: row.starts_at.toISOString(), endsAt: row.ends_at.toISOString(), state: row.state },
  ...{ author: row.author, hidden: [...row.hidden], questions: [...row.questions], notes: row.notes },
  ...{ agreed: [...row.agreed], version: row.version },
  guests: invited
    .filter(({ meeting_id, removed }) => meeting_id === row.id && !removed)
    .map((guest) => guestView(guest, row.sequence)),
});

/** Those to come first, the soonest of them; then those that are over, the latest of them. */
function inOrder(rows: readonly Meeting[], now: Date): Meeting[] {
  const ahead = rows.filter(({ endsAt }) => Date.parse(endsAt) > now.getTime());
  return [...[...ahead].reverse(), ...rows.filter((row) => !ahead.includes(row))];
}

export async function listMeetings({ db, clock }: Deps, guardianId: string): Promise<Meeting[]> {
  const children = await childrenFor(db, guardianId, 'read-talk');
  if (children.length === 0) return [];
  const { id: householdId } = await householdOf(db, guardianId);
  const ids = children.map(({ id }) => id);
  const rows = await store.meetingsOf(db, householdId, ids);
  const invited = await guests.guestsOf(
    db,
    rows.map(({ id }) => id),
  );
  const zones = new Map(children.map(({ id, timeZone }) => [id, timeZone]));
  return inOrder(
    rows.map((row) => view(row, invited, zones.get(row.student_id) ?? 'UTC')),
    await clock.now(),
  );
}

export interface Held {
  readonly row: store.MeetingRow;
  readonly child: Child;
}

/** A meeting of one's household. @throws HttpProblem 404 for any other, 403 for who may only look. */
export async function heldMeeting(
  { db }: Pick<Deps, 'db'>,
  guardianId: string,
  meetingId: string,
  permission: 'read-talk' | 'write-talk' = 'write-talk',
): Promise<Held> {
  const { id: householdId } = await householdOf(db, guardianId);
  const row = await store.meetingById(db, meetingId);
  if (!row || row.household_id !== householdId) throw new HttpProblem('not-found');
  return { row, child: await requireChild(db, guardianId, row.student_id, permission) };
}

export async function meetingFor(deps: Deps, guardianId: string, id: string): Promise<Meeting> {
  const { row, child } = await heldMeeting(deps, guardianId, id, 'read-talk');
  return view(row, await guests.guestsOf(deps.db, [id]), child.timeZone);
}

/** The times that schools offer for the children whom a guardian writes about. */
export async function offeredTo(
  { db, clock }: Deps,
  guardianId: string,
): Promise<AnswerOf<typeof meetingRoutes.slots>> {
  const children = await childrenFor(db, guardianId, 'write-talk');
  const ids = children.map(({ id }) => id);
  const { id: householdId } = await householdOf(db, guardianId);
  const [rows, known] = await Promise.all([
    offeredSlots(db, ids, await clock.now()),
    store.meetingsOf(db, householdId, ids),
  ]);
  // What the school has put down for the child and the family knows of is a meeting, or is on its way back.
  const had = new Set(known.map(({ slot_id }) => slot_id));
  const open = rows.filter(({ ours, slot_id }) => !(ours && had.has(slot_id)));
  return {
    slots: open.map((row) => ({
      ...{ id: row.slot_id, studentId: row.student_id, teacherId: row.teacher_id },
      ...{ teacherName: row.teacher_name, startsAt: row.starts_at.toISOString() },
      ...{ endsAt: row.ends_at.toISOString(), timeZone: row.time_zone, way: row.way },
      ...{ place: row.place, href: row.href, state: row.ours ? ('ours' as const) : ('free' as const) },
    })),
  };
}

/** Longer than this is no talk at school. */
const longestMs = 12 * 3_600_000;

/** @throws HttpProblem 400 for a time that ends before it begins, or lasts a day. */
export function placeOf({
  startsAt,
  endsAt,
  ...where
}: Pick<NewMeeting, 'startsAt' | 'endsAt' | 'way' | 'place' | 'href'>): store.Place {
  const [starts_at, ends_at] = [new Date(startsAt), new Date(endsAt)];
  const length = ends_at.getTime() - starts_at.getTime();
  if (!(length > 0 && length <= longestMs))
    throw new HttpProblem('bad-request', {
      errors: [{ path: '/endsAt', message: 'must lie after the beginning, by twelve hours at most' }],
    });
  return { ...where, starts_at, ends_at };
}

/** Puts down a meeting that was agreed on elsewhere. @throws HttpProblem 404 for nobody at the child's school. */
export async function addMeeting(deps: Deps, guardianId: string, given: NewMeeting): Promise<Meeting> {
  const { db, clock } = deps;
  const { studentId, teacherId, ...when } = given;
  await requireChild(db, guardianId, studentId, 'write-talk');
  const now = await clock.now();
  const known = await contactsFor(db, studentId, now);
  if (!known.some(({ id }) => id === teacherId)) throw new HttpProblem('not-found');
  const { id: householdId, author } = await householdOf(db, guardianId);
  const id = await db.transaction((trx) =>
    store.addMeeting(trx, {
      ...{ household_id: householdId, student_id: studentId, teacher_id: teacherId, slot_id: null },
      ...placeOf(when),
      ...{ author, guardian_id: guardianId, changed_at: now },
    }),
  );
  if (id === null) throw new Error('a meeting could not be stored');
  return meetingFor(deps, guardianId, id);
}

/** Changes what is brought, noted or agreed. @throws HttpProblem 409 with both where somebody was faster. */
export async function changeMeeting(
  deps: Deps,
  guardianId: string,
  id: string,
  change: MeetingChange,
): Promise<Meeting> {
  await heldMeeting(deps, guardianId, id);
  const done = await deps.db.transaction((trx) => store.changeMeeting(trx, id, change));
  const current = await meetingFor(deps, guardianId, id);
  if (!done) throw new HttpProblem('edited-meanwhile', { current, yours: change });
  return current;
}

/** Asks somebody to a meeting. @throws HttpProblem 409 where it does not stand, or is over. */
export async function invite(
  deps: Deps,
  guardianId: string,
  id: string,
  { name, address }: { readonly name: string; readonly address: string },
): Promise<Meeting> {
  const { db, clock } = deps;
  const { row } = await heldMeeting(deps, guardianId, id);
  const now = await clock.now();
  if (row.state !== 'stands' || row.ends_at <= now) throw new HttpProblem('too-late');
  const before = await guests.guestsOf(db, [id]);
  if (before.filter(({ removed }) => !removed).length >= mostGuests)
    throw new HttpProblem('bad-request', {
      errors: [{ path: '/address', message: `must be one of ${mostGuests} at most` }],
    });
  await takeTry(db, [{ kind: 'invitation', of: guardianId, patience: askingPatience }]);
  await db.transaction(async (trx) => {
    const guest = { meeting_id: id, student_id: row.student_id, name: name.trim(), address };
    if (!(await guests.addGuest(trx, guest))) return;
    await invitationsJob(trx, [id]);
  });
  return meetingFor(deps, guardianId, id);
}
/** More are an assembly. */
const mostGuests = 12;
/** More mails to whomever one names than a family has meetings for, and too few to be a nuisance to anybody. */
const askingPatience = {
  ...{ free: 20, firstWaitSeconds: 600, longestWaitSeconds: 12 * 3600, forgetSeconds: 24 * 3600 },
};

export async function uninvite(
  deps: Deps,
  guardianId: string,
  { meetingId, guestId }: { readonly meetingId: string; readonly guestId: string },
): Promise<Meeting> {
  await heldMeeting(deps, guardianId, meetingId);
  await deps.db.transaction(async (trx) => {
    if (!(await guests.removeGuest(trx, meetingId, guestId))) throw new HttpProblem('not-found');
    await invitationsJob(trx, [meetingId]);
  });
  return meetingFor(deps, guardianId, meetingId);
}

/** Meetings of a family with what is noted, as a search looks through them. */
export async function meetingsWith(
  db: Db,
  guardianId: string,
  { studentIds, words }: { readonly studentIds: readonly string[]; readonly words: readonly string[] },
): Promise<FoundRow[]> {
  const { id: householdId } = await householdOf(db, guardianId);
  return store.meetingsWith(db, householdId, { studentIds, words });
}
