import { randomUUID } from 'node:crypto';
import type { BodyOf, Child, OwnChild, ownRoutes } from '@cadro/contract';
import { isTimeZone } from '@cadro/core';
import { HttpProblem, houseOf } from '../../kit';
import { childrenFor, linkOwnChildren, type OwnLinkHooks } from '../../household';
import { wholeTerms } from '../../records';
import { addOwnSource, dropOwnSource, renameOwnSource } from './ownStore';
import { requireOwn, writeOwn, writeRecords, type OwnDeps, type OwnWritten } from './writeOwn';

const childId = 'child';
const schoolId = 'school';

/** More children than a family has, and too few to fill a table with. */
const mostChildren = 30;

type Named = Omit<OwnChild, 'term'>;

function checkZone(timeZone: string): void {
  if (isTimeZone(timeZone)) return;
  throw new HttpProblem('bad-request', { errors: [{ path: '/timeZone', message: 'is no time zone' }] });
}

function checkDays({ startsOn, endsOn }: { readonly startsOn: string; readonly endsOn: string }): void {
  if (startsOn <= endsOn) return;
  throw new HttpProblem('bad-request', { errors: [{ path: '/endsOn', message: 'is before it starts' }] });
}

const whoIs = ({ givenName, familyName, year, schoolName, timeZone }: Named) => ({
  schools: [{ id: schoolId, name: schoolName.trim(), time_zone: timeZone }],
  students: [
    {
      ...{ id: childId, school_id: schoolId, year: year.trim() },
      ...{ given_name: givenName.trim(), family_name: familyName.trim() },
    },
  ],
});

const termRecord = (id: string, term: OwnChild['term']): OwnWritten => ({
  ...{ id, title: term.title.trim(), starts_on: term.startsOn, ends_on: term.endsOn },
  ...{ kind: 'term', parent_external_id: null },
});

/** Adds a child with its school and term, and links whoever adds it as its guardian. */
export async function addOwnChild(
  deps: OwnDeps,
  guardian: { readonly id: string; readonly householdId: string },
  body: OwnChild,
  hooks: OwnLinkHooks,
): Promise<Child> {
  checkZone(body.timeZone);
  checkDays(body.term);
  const linked = await childrenFor(deps.db, guardian.id, 'read-record');
  if (linked.some(({ role }) => role === 'student')) throw new HttpProblem('forbidden');
  if (linked.length >= mostChildren) throw new HttpProblem('too-large');
  const db = houseOf(deps.db);
  const now = await deps.clock.now();
  const { schoolName: name, timeZone } = body;
  const own = { deps: { ...deps, db }, now, beside: null };
  const sourceId = await db.transaction((trx) =>
    addOwnSource(trx, { name: name.trim(), timeZone, householdId: guardian.householdId, now }),
  );
  const written = { ...whoIs(body), terms: [termRecord(randomUUID(), body.term)] };
  await writeRecords(own, sourceId, written, { backlog: true });
  const [child] = await linkOwnChildren(db, { sourceId, guardianId: guardian.id, now }, hooks);
  if (!child) throw new Error('the link just written cannot be read');
  return child;
}

/** Changes who a child is and where it goes to school. */
export async function changeOwnChild(
  deps: OwnDeps,
  guardianId: string,
  studentId: string,
  body: Named,
): Promise<void> {
  checkZone(body.timeZone);
  const own = await requireOwn(deps, guardianId, studentId, { whole: true });
  await own.deps.db.transaction((trx) =>
    renameOwnSource(trx, own.child.sourceId, { name: body.schoolName.trim(), timeZone: body.timeZone }),
  );
  await writeOwn(own, whoIs(body), { backlog: true });
}

/** Writes a term down, or changes one. @returns its id. */
export async function putOwnTerm(
  deps: OwnDeps,
  guardianId: string,
  studentId: string,
  { id, ...term }: BodyOf<typeof ownRoutes.putTerm>,
): Promise<string> {
  checkDays(term);
  const own = await requireOwn(deps, guardianId, studentId, { whole: true });
  const { sourceId } = own.child;
  const known = (await wholeTerms(own.deps.db, sourceId)).find((each) => each.id === id);
  if (id !== null && !known) throw new HttpProblem('not-found');
  const externalId = known?.externalId ?? randomUUID();
  await writeOwn(own, { terms: [termRecord(externalId, term)] }, { backlog: true });
  const written = (await wholeTerms(own.deps.db, sourceId)).find((each) => each.externalId === externalId);
  if (!written) throw new Error('a term just written is not there');
  return written.id;
}

/** Deletes a child that was added by hand, with all that was written of it, for everybody. */
export async function forgetOwnChild(deps: OwnDeps, guardianId: string, studentId: string): Promise<void> {
  const own = await requireOwn(deps, guardianId, studentId, { whole: true });
  await dropOwnSource(own.deps.db, own.child.sourceId);
}
