import type { ImportBody, ImportReport } from '@cadro/contract';
import { daysAfter } from '@cadro/core';
import { CalendarError, readCalendar, type ReadCalendar } from '@cadro/core/ical';
import { householdOf, requireWriter } from '../../household';
import { HttpProblem, type Deps } from '../../kit';
import { viewerOf, zoneOf } from '../viewer';
import * as store from './importStore';

/** Rules are followed so far ahead when their end is looked for. */
const horizonDays = 400;
/** What cannot be understood is told by so many lines; a file with more is no calendar anyone can mend. */
const mostNotes = 100;

/** A calendar of one child, or of all. */
const whose = (studentId: string | null): string[] => (studentId === null ? [] : [studentId]);

function read(text: string, timeZone: string, horizon: string): ReadCalendar {
  try {
    return readCalendar(text, timeZone, horizon);
  } catch (cause) {
    if (!(cause instanceof CalendarError)) throw cause;
    throw new HttpProblem('unreadable-file', { errors: [{ path: '/text', message: cause.message }], cause });
  }
}

/**
 * Reads a calendar file in under a name, in the place of what stood there, or only tells what it would do.
 * @throws HttpProblem 422 for a text that is no whole calendar; 404 and 403 as for any child.
 */
export async function importCalendar(
  deps: Deps,
  guardianId: string,
  { studentId, name, text, preview }: ImportBody,
): Promise<{ report: ImportReport; written: boolean }> {
  const { db } = deps;
  await requireWriter(db, guardianId, whose(studentId));
  const viewer = await viewerOf(deps, guardianId);
  const { events, notes } = read(text, zoneOf(viewer, studentId), daysAfter(viewer.today, horizonDays));
  const { id: householdId, author } = await householdOf(db, guardianId);
  const key = { householdId, studentId, name };
  const known = await store.componentsOf(db, key);
  const uids = new Set(events.map(({ uid }) => uid));
  const same = events.filter(({ uid, component }) => known.get(uid) === component).length;
  const added = events.filter(({ uid }) => !known.has(uid)).length;
  const report: ImportReport = {
    events: events.length,
    ...{ added, same, changed: events.length - added - same },
    removed: [...known.keys()].filter((uid) => !uids.has(uid)).length,
    notes: notes.slice(0, mostNotes).map((note) => ({ ...note })),
  };
  if (!preview)
    await db.transaction((trx) => store.replaceImport(trx, key, { author, at: viewer.now, report }, events));
  return { report, written: !preview };
}

/** @throws HttpProblem 404 where the household has no such calendar, 403 for who may only look. */
export async function forgetImport(deps: Deps, guardianId: string, importId: string): Promise<void> {
  const viewer = await viewerOf(deps, guardianId);
  const found = (await store.importsOf(deps.db, viewer)).find(({ id }) => id === importId);
  if (!found) throw new HttpProblem('not-found');
  await requireWriter(deps.db, guardianId, whose(found.student_id));
  await store.deleteImport(deps.db, importId);
}
