import type { BodyOf, noteRoutes, Wants } from '@cadro/contract';
import { dayMs, waysOf } from '@cadro/core';
import { contactsFor } from '../contacts';
import { householdOf, requireChild } from '../household';
import { HttpProblem, type Deps } from '../kit';
import { lettersTo } from '../messages';
import { schoolDates, schoolDaysOf } from '../records';
import * as store from './store';
import { worksBy } from './waysStore';

interface Of {
  readonly studentId: string;
  readonly teacherId: string;
}

/** A school year at most. */
const yearDays = 365;

/** What a teacher of the child wants. @throws HttpProblem 404 for nobody who teaches it this year. */
export async function wantsOf(deps: Deps, guardianId: string, of: Of): Promise<Wants> {
  const { db, clock } = deps;
  const { studentId, teacherId } = of;
  const child = await requireChild(db, guardianId, studentId, 'read-talk');
  const now = await clock.now();
  const contact = (await contactsFor(db, studentId, now)).find(({ id }) => id === teacherId);
  if (!contact || contact.kind !== 'teacher') throw new HttpProblem('not-found');
  const { id: householdId } = await householdOf(db, guardianId);
  const since = new Date(now.getTime() - yearDays * dayMs).toISOString().slice(0, 10);
  const today = (await schoolDates(db, [studentId], now)).get(studentId) ?? '';
  const [works, letters, days, ours] = await Promise.all([
    worksBy(db, { studentId, courseIds: contact.courses.map(({ id }) => id) }),
    lettersTo(db, householdId, of),
    schoolDaysOf(db, [studentId], { from: since, to: today }),
    store.wantsOf(db, { household_id: householdId, student_id: studentId, teacher_id: teacherId }),
  ]);
  const closed = new Set(days.flatMap(({ on, open }) => (open ? [] : [on])));
  return {
    teacher: { id: teacherId, name: contact.name },
    habits: contact.habits,
    ways: waysOf({ works, letters }, { timeZone: child.timeZone, closed }),
    ours: ours.map(({ at, ...row }) => ({ ...row, at: at.toISOString() })),
  };
}

/** @throws HttpProblem 409 with both where somebody at home has changed the same since. */
export async function sayWant(
  deps: Deps,
  guardianId: string,
  of: Of,
  { aspect, text, version }: BodyOf<typeof noteRoutes.sayWant>,
): Promise<Wants> {
  const { db, clock } = deps;
  await requireChild(db, guardianId, of.studentId, 'write-talk');
  await wantsOf(deps, guardianId, of);
  const { id: householdId, author } = await householdOf(db, guardianId);
  const key = { household_id: householdId, student_id: of.studentId, teacher_id: of.teacherId };
  const want = { aspect, text: text.trim(), author, at: await clock.now(), version };
  const done = await store.sayWant(db, key, want);
  const after = await wantsOf(deps, guardianId, of);
  const current = after.ours.find((each) => each.aspect === aspect) ?? null;
  if (!done) throw new HttpProblem('edited-meanwhile', { current, yours: { text } });
  return after;
}
