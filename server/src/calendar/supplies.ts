import type { Supply } from '@cadro/contract';
import { byCodePoint, daysAfter } from '@cadro/core';
import { wallTimeIn } from '@cadro/core/ical';
import { looseEndsOf } from '../gradebook';
import type { Db } from '../kit';
import type { CalendarDeps } from './apart';
import { entriesFor, type EntryRow } from './entryStore';
import { dayBeforeDue, daysOf } from './layers/own';
import { viewerOf, zoneOf, type Viewer } from './viewer';
import { gotOf, suppliedWorks } from './workStore';

/** What the school wants to be there for coming work. */
async function ofWorks(db: Db, viewer: Viewer): Promise<Supply[]> {
  const ids = viewer.children.map(({ id }) => id);
  const [rows, got, ends] = await Promise.all([
    suppliedWorks(db, ids, viewer.now),
    gotOf(db, ids, viewer.householdId),
    looseEndsOf(db, viewer.householdId, ids),
  ]);
  return rows.flatMap(({ studentId, courseId, itemId, title, dueAt, supplies }) => {
    // What is missing is needed for as long as it can be mended.
    const deadline = ends.get(`${studentId}:${itemId}`)?.deadline;
    const until = deadline ? new Date(deadline) : dueAt;
    const neededOn = until && wallTimeIn(zoneOf(viewer, studentId), until.getTime()).on;
    if (neededOn !== null && neededOn < viewer.today) return [];
    return supplies.map((supply) => ({
      ...{ entryId: null, studentId, itemId, courseId, for: title, supply, neededOn },
      got: got.has(`${studentId}:${itemId}:${supply}`),
    }));
  });
}

/** The day something is needed: its own, the next of a recurrence, or so many days before a work is due. */
function neededOn(viewer: Viewer, entry: EntryRow, next: string | undefined): string | null {
  if (entry.item_id) return dayBeforeDue(viewer, entry);
  return entry.rule === null ? entry.on_date : (next ?? null);
}

/** What the household has written down itself. */
async function ofHousehold(deps: CalendarDeps, viewer: Viewer): Promise<Supply[]> {
  const rows = (await entriesFor(deps.db, viewer)).filter(({ kind }) => kind === 'supply');
  const days = await daysOf(deps, viewer, rows, {
    from: viewer.today,
    to: daysAfter(viewer.today, 366),
  });
  return rows
    .map((entry) => {
      const on = neededOn(viewer, entry, days.get(entry)?.[0]);
      return {
        entryId: entry.id,
        studentId: entry.student_ids[0] ?? null,
        itemId: null,
        courseId: null,
        for: entry.item_title,
        supply: entry.title,
        neededOn: on,
        got: on === null ? entry.done.length > 0 : entry.done.includes(on),
      };
    })
    .filter(({ neededOn: on, got }) => on === null || on >= viewer.today || !got);
}

/** The shopping list: what is needed first comes first, what has no day comes last; of one work, as its teacher names it. */
export async function suppliesOf(deps: CalendarDeps, guardianId: string): Promise<{ supplies: Supply[] }> {
  const viewer = await viewerOf(deps, guardianId);
  const found = await Promise.all([ofWorks(deps.db, viewer), ofHousehold(deps, viewer)]);
  const last = '9999';
  const supplies = found
    .flat()
    .sort(
      (a, b) => byCodePoint(a.neededOn ?? last, b.neededOn ?? last) || byCodePoint(a.for ?? '', b.for ?? ''),
    );
  return { supplies };
}
