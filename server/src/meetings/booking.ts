import type { Child, Meeting, MeetingMove } from '@cadro/contract';
import { householdOf, requireChild } from '../household';
import { HttpProblem, takeTry, type Deps } from '../kit';
import { slotFor } from '../records';
import { askForSlot, SourceError, type BookingDeps } from '../sources';
import { invitationsJob, slotBackJob } from './jobs';
import { heldMeeting, meetingFor, placeOf } from './meetings';
import * as store from './store';

export interface MeetingDeps extends Deps, BookingDeps {}

/** More times than a family takes in its fullest week; each asks the school. */
const patience = { free: 20, firstWaitSeconds: 60, longestWaitSeconds: 3600, forgetSeconds: 3600 };

/**
 * Takes a time at the school.
 * @throws HttpProblem 404 where it is not for this child, 409 `time-taken` or `too-late`, 503 where the school cannot be
 *   asked.
 */
async function take(
  deps: MeetingDeps,
  guardianId: string,
  child: Child,
  { slotId, teacherId }: { readonly slotId: string; readonly teacherId?: string },
): Promise<store.Place & { slot_id: string; teacher_id: string }> {
  const { db, clock } = deps;
  const slot = await slotFor(db, slotId, child.id);
  if (!slot || (teacherId !== undefined && teacherId !== slot.teacher_id)) throw new HttpProblem('not-found');
  if (slot.starts_at <= (await clock.now())) throw new HttpProblem('too-late');
  if (slot.gone || (slot.taken && !slot.ours)) throw new HttpProblem('time-taken');
  await takeTry(db, [{ kind: 'booking', of: guardianId, patience }]);
  const answer = await askForSlot(deps, { slotId, studentId: child.id }, 'take').catch((cause: unknown) => {
    throw cause instanceof SourceError ? new HttpProblem('source-unreachable', { cause }) : cause;
  });
  if (answer !== 'done') throw new HttpProblem('time-taken');
  const { teacher_id, starts_at, ends_at, way, place, href } = slot;
  return { slot_id: slotId, teacher_id, starts_at, ends_at, way, place, href };
}

/** Takes a time that a school offers. Two guardians of one family who do so at once have one meeting. */
export async function bookSlot(
  deps: MeetingDeps,
  guardianId: string,
  slotId: string,
  studentId: string,
): Promise<Meeting> {
  const { db, clock } = deps;
  const child = await requireChild(db, guardianId, studentId, 'write-talk');
  const { id: householdId, author } = await householdOf(db, guardianId);
  const taken = await take(deps, guardianId, child, { slotId });
  const now = await clock.now();
  const id = await db.transaction((trx) =>
    store.addMeeting(trx, {
      ...{ household_id: householdId, student_id: studentId, ...taken },
      ...{ author, guardian_id: guardianId, changed_at: now },
    }),
  );
  const known = id ?? (await store.meetingAt(db, householdId, slotId))?.id;
  if (known === undefined) throw new HttpProblem('not-found');
  return meetingFor(deps, guardianId, known);
}

/** Moves on what stands; the time it had goes back to the school, and whoever is invited hears of it: all or nothing. */
async function moveOn(
  deps: MeetingDeps,
  guardianId: string,
  { row, version }: { readonly row: store.MeetingRow; readonly version: number },
  to: Partial<store.Place & Pick<store.MeetingRow, 'slot_id' | 'state'>>,
): Promise<Meeting> {
  const { db, clock } = deps;
  const { id, slot_id: slotId, student_id: studentId } = row;
  const now = await clock.now();
  const done = await db.transaction(async (trx) => {
    if (!(await store.moveMeeting(trx, { id, version }, { ...to, changed_at: now }))) return false;
    if (slotId !== null && to.slot_id !== slotId) await slotBackJob(trx, { slotId, studentId });
    await invitationsJob(trx, [id]);
    return true;
  });
  const current = await meetingFor(deps, guardianId, id);
  if (done) return current;
  // What was taken for it at the school is nobody's then.
  if (to.slot_id) await slotBackJob(db, { slotId: to.slot_id, studentId });
  throw new HttpProblem('edited-meanwhile', { current, yours: {} });
}

/** @throws HttpProblem 409 `too-late` for one that has begun, or does not stand. */
async function standing(deps: MeetingDeps, guardianId: string, id: string) {
  const held = await heldMeeting(deps, guardianId, id);
  if (held.row.state !== 'stands' || held.row.starts_at <= (await deps.clock.now()))
    throw new HttpProblem('too-late');
  return held;
}

/** The new time is taken first, so that the family is never without one. */
export async function moveMeeting(
  deps: MeetingDeps,
  guardianId: string,
  id: string,
  move: MeetingMove,
): Promise<Meeting> {
  const { row, child } = await standing(deps, guardianId, id);
  const { version, to } = move;
  if (row.version !== version) {
    const current = await meetingFor(deps, guardianId, id);
    throw new HttpProblem('edited-meanwhile', { current, yours: move });
  }
  if (!('slotId' in to)) return moveOn(deps, guardianId, { row, version }, { ...placeOf(to), slot_id: null });
  const { slotId } = to;
  if (slotId === row.slot_id) return meetingFor(deps, guardianId, id);
  const { id: householdId } = await householdOf(deps.db, guardianId);
  if (await store.meetingAt(deps.db, householdId, slotId)) throw new HttpProblem('time-taken');
  const { teacher_id: teacherId } = row;
  const { teacher_id: _, ...place } = await take(deps, guardianId, child, { slotId, teacherId });
  return moveOn(deps, guardianId, { row, version }, place);
}

/** Gives a meeting back. */
export async function giveBack(
  deps: MeetingDeps,
  guardianId: string,
  id: string,
  version: number,
): Promise<Meeting> {
  const { row } = await standing(deps, guardianId, id);
  return moveOn(deps, guardianId, { row, version }, { state: 'given-back' });
}

/** Tells the school that a time is not needed any more, unless the family has taken it again since. */
export async function slotBack(
  deps: BookingDeps,
  place: { readonly slotId: string; readonly studentId: string },
): Promise<void> {
  if (await store.isLet(deps.db, place.slotId, place.studentId)) await askForSlot(deps, place, 'give');
}
