import type { ImportBody, ImportReport } from '@cadro/contract';
import { daysAfter } from '@cadro/core';
import type { ReadCalendar } from '@cadro/core/ical';
import { householdOf, requireWriter } from '../../household';
import { HttpProblem, type Deps, type Trx } from '../../kit';
import { readApart, type CalendarDeps } from '../apart';
import { viewerOf, zoneOf } from '../viewer';
import * as store from './importStore';

/** Rules are followed so far ahead when their end is looked for. */
const horizonDays = 400;
/** What cannot be understood is told by so many lines; a file with more is no calendar anyone can mend. */
const mostNotes = 100;

/** A calendar of one child, or of all. */
const whose = (studentId: string | null): string[] => (studentId === null ? [] : [studentId]);

/** Whose calendar it is, and how its times and days are read. */
export interface Reading {
  readonly key: store.ImportKey;
  readonly author: string;
  readonly now: Date;
  readonly today: string;
  readonly timeZone: string;
}

/** What a calendar's text holds against what stands under its name; written down where that is wanted. */
export async function takeCalendar(
  deps: Pick<CalendarDeps, 'db' | 'threads'>,
  { key, today, timeZone }: Pick<Reading, 'key' | 'today' | 'timeZone'>,
  text: string,
): Promise<{ report: ImportReport; events: ReadCalendar['events'] }> {
  const ask = { text, timeZone, horizon: daysAfter(today, horizonDays) };
  const { events, notes } = await readApart(deps, key.householdId, ask);
  const known = await store.componentsOf(deps.db, key);
  const uids = new Set(events.map(({ uid }) => uid));
  const same = events.filter(({ uid, component }) => known.get(uid) === component).length;
  const added = events.filter(({ uid }) => !known.has(uid)).length;
  const report: ImportReport = {
    events: events.length,
    ...{ added, same, changed: events.length - added - same },
    removed: [...known.keys()].filter((uid) => !uids.has(uid)).length,
    notes: notes.slice(0, mostNotes).map((note) => ({ ...note })),
  };
  return { report, events };
}

/** As somebody of a household reads a calendar in. */
export async function readingOf(
  deps: Deps,
  guardianId: string,
  { studentId, name }: { readonly studentId: string | null; readonly name: string },
): Promise<Reading> {
  await requireWriter(deps.db, guardianId, whose(studentId));
  const viewer = await viewerOf(deps, guardianId);
  const { id: householdId, author } = await householdOf(deps.db, guardianId);
  const { now, today } = viewer;
  return { key: { householdId, studentId, name }, author, now, today, timeZone: zoneOf(viewer, studentId) };
}

/**
 * Reads a calendar file in under a name, in the place of what stood there, or only tells what it would do.
 * @throws HttpProblem 422 for a text that is no whole calendar; 404 and 403 as for any child.
 */
export async function importCalendar(
  deps: CalendarDeps,
  guardianId: string,
  { text, preview, ...of }: ImportBody,
): Promise<{ report: ImportReport; written: boolean }> {
  const { db } = deps;
  const reading = await readingOf(deps, guardianId, of);
  const { report, events } = await takeCalendar(deps, reading, text);
  if (!preview) await db.transaction((trx) => putCalendar(trx, reading, report, events));
  return { report, written: !preview };
}

/** Puts what a calendar holds down under its name. @returns its id. */
export const putCalendar = (
  trx: Trx,
  { key, author, now }: Reading,
  report: ImportReport,
  events: ReadCalendar['events'],
): Promise<string> => store.replaceImport(trx, key, { author, at: now, report }, events);

/** @throws HttpProblem 404 where the household has no such calendar, 403 for who may only look. */
export async function forgetImport(deps: Deps, guardianId: string, importId: string): Promise<void> {
  const viewer = await viewerOf(deps, guardianId);
  const found = (await store.importsOf(deps.db, viewer)).find(({ id }) => id === importId);
  if (!found) throw new HttpProblem('not-found');
  await requireWriter(deps.db, guardianId, whose(found.student_id));
  await store.deleteImport(deps.db, importId);
}
