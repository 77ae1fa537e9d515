import type { Entry, EntryBody } from '@cadro/contract';
import type { Misfit } from '@cadro/contract/parse';
import { subDays } from 'date-fns/subDays';
import { requireWriter } from '../household';
import { HttpProblem, type Deps } from '../kit';
import { isRule, type CalendarDeps } from './apart';
import * as store from './entryStore';
import { daysOf } from './layers/own';
import { viewerOf, zoneOf, type Viewer } from './viewer';
import { enrolledInItem } from './workStore';

/** Days for which what was taken out can be put back. */
const keptDays = 30;
/** A rule is followed from its first day on; what begins earlier or later than this is a slip of the finger. */
const [firstDay, lastDay] = ['2000-01-01', '2099-12-31'];

const entryView = (viewer: Viewer, row: store.EntryRow): Entry => ({
  id: row.id,
  version: row.version,
  author: row.author,
  mine: row.guardian_id === viewer.guardianId,
  kind: row.kind,
  title: row.title,
  text: row.text,
  studentIds: row.student_ids,
  shared: row.shared,
  on: row.on_date,
  lastOn: row.last_on,
  startsAt: row.starts_at,
  endsAt: row.ends_at,
  rule: row.rule,
  itemId: row.item_id,
  itemTitle: row.item_title,
  daysBefore: row.days_before,
  skipped: row.skipped,
  done: row.done,
});

/** What does not go together in an entry. */
function entryFaults(body: EntryBody): Misfit[] {
  const { kind, on = null, lastOn = null, startsAt = null, endsAt = null, rule = null } = body;
  const { itemId = null, daysBefore = null } = body;
  const faults: Misfit[] = [];
  const fault = (path: keyof EntryBody, message: string) => void faults.push({ path: `/${path}`, message });
  if (itemId !== null && (on !== null || rule !== null)) fault('on', 'must be left out beside a work');
  if (itemId === null && daysBefore !== null) fault('daysBefore', 'needs a work');
  if (on === null && itemId === null && kind !== 'supply') fault('on', 'is needed');
  if (on === null && itemId === null && startsAt !== null) fault('startsAt', 'needs a day');
  if (on !== null && (on < firstDay || on > lastDay))
    fault('on', `must lie between ${firstDay} and ${lastDay}`);
  if (lastOn !== null && (on === null || lastOn < on || lastOn > lastDay))
    fault('lastOn', 'must not lie before the first day');
  if (lastOn !== null && lastOn !== on && rule !== null)
    fault('lastOn', 'must be left out beside a recurrence');
  if (endsAt !== null && startsAt === null) fault('endsAt', 'needs a beginning');
  if (endsAt !== null && startsAt !== null && (lastOn ?? on) === on && endsAt <= startsAt)
    fault('endsAt', 'must lie after the beginning');
  if (rule !== null && on === null) fault('rule', 'needs a first day');
  return faults;
}

/** @throws HttpProblem 404 where there is no such entry for this guardian. */
async function entryOf(
  { db }: Deps,
  viewer: Viewer,
  entryId: string,
  removed = false,
): Promise<store.EntryRow> {
  const [row] = await store.entriesFor(db, viewer, { entryId, removed });
  if (!row) throw new HttpProblem('not-found');
  return row;
}

/** @throws HttpProblem 400 with what does not go together; 404 for a work that no child has. */
async function fieldsOf(deps: CalendarDeps, viewer: Viewer, body: EntryBody): Promise<store.EntryFields> {
  const errors = entryFaults(body);
  if (body.rule && !(await isRule(deps, viewer.guardianId, body.rule)))
    errors.push({ path: '/rule', message: 'must be a recurrence by the day, week, month or year' });
  if (errors.length > 0) throw new HttpProblem('bad-request', { errors });
  const { kind, title, text = null, shared, on = null, lastOn = null, itemId = null } = body;
  const ids = body.studentIds.length > 0 ? body.studentIds : viewer.talk.map(({ id }) => id);
  if (itemId !== null && !(await enrolledInItem(deps.db, ids, itemId))) throw new HttpProblem('not-found');
  return {
    ...{ kind, title, text, shared },
    on_date: on,
    last_on: lastOn === on ? null : lastOn,
    starts_at: body.startsAt ?? null,
    ends_at: body.endsAt ?? null,
    time_zone: zoneOf(viewer, body.studentIds[0]),
    rule: body.rule ?? null,
    item_id: itemId,
    days_before: itemId === null ? null : (body.daysBefore ?? 0),
  };
}

export async function createEntry(deps: CalendarDeps, guardianId: string, body: EntryBody): Promise<Entry> {
  const viewer = await viewerOf(deps, guardianId);
  await requireWriter(deps.db, guardianId, body.studentIds);
  const fields = await fieldsOf(deps, viewer, body);
  const by = { guardianId, householdId: viewer.householdId, at: viewer.now };
  const id = await deps.db.transaction((trx) => store.insertEntry(trx, by, fields, body.studentIds));
  return entryView(viewer, await entryOf(deps, viewer, id));
}

export async function readEntry(deps: Deps, guardianId: string, entryId: string): Promise<Entry> {
  const viewer = await viewerOf(deps, guardianId);
  return entryView(viewer, await entryOf(deps, viewer, entryId));
}

/** @throws HttpProblem 409 with both versions when it was changed since. */
export async function changeEntry(
  deps: CalendarDeps,
  guardianId: string,
  entryId: string,
  { version, ...body }: EntryBody & { version: number },
): Promise<Entry> {
  const viewer = await viewerOf(deps, guardianId);
  const row = await entryOf(deps, viewer, entryId);
  await requireWriter(deps.db, guardianId, [...new Set([...row.student_ids, ...body.studentIds])]);
  const fields = await fieldsOf(deps, viewer, body);
  const key = { entryId, version };
  const changed = await deps.db.transaction((trx) =>
    store.changeEntry(trx, key, viewer.now, fields, body.studentIds),
  );
  if (!changed) throw new HttpProblem('edited-meanwhile', { current: entryView(viewer, row), yours: body });
  return entryView(viewer, await entryOf(deps, viewer, entryId));
}

/** @throws HttpProblem 400 for a day on which it is not, or for leaving out the only one. */
export async function tickEntry(
  deps: CalendarDeps,
  guardianId: string,
  entryId: string,
  { on, as }: { on: string; as: 'done' | 'skipped' | 'open' },
): Promise<Entry> {
  const viewer = await viewerOf(deps, guardianId);
  const row = await entryOf(deps, viewer, entryId);
  await requireWriter(deps.db, guardianId, row.student_ids);
  const dated = row.on_date !== null || row.item_id !== null;
  const isDay = async () =>
    (await daysOf(deps, viewer, [row], { from: on, to: on })).get(row)?.includes(on) ?? false;
  const known = !dated || row.skipped.includes(on) || (await isDay());
  if (!known || (as === 'skipped' && row.rule === null))
    throw new HttpProblem('bad-request', {
      errors: [{ path: '/on', message: 'must be a day of the entry' }],
    });
  await store.tickEntry(deps.db, entryId, on, as);
  return entryView(viewer, await entryOf(deps, viewer, entryId));
}

export async function removeEntry(deps: Deps, guardianId: string, entryId: string): Promise<void> {
  const viewer = await viewerOf(deps, guardianId);
  const row = await entryOf(deps, viewer, entryId);
  await requireWriter(deps.db, guardianId, row.student_ids);
  await store.markRemoved(deps.db, entryId, viewer.now);
  await store.forgetRemoved(deps.db, viewer.householdId, subDays(viewer.now, keptDays));
}

/** @throws HttpProblem 404 for an entry that was not taken out, or too long ago. */
export async function putBackEntry(deps: Deps, guardianId: string, entryId: string): Promise<Entry> {
  const viewer = await viewerOf(deps, guardianId);
  const row = await entryOf(deps, viewer, entryId, true);
  await requireWriter(deps.db, guardianId, row.student_ids);
  await store.markRemoved(deps.db, entryId, null);
  return entryView(viewer, await entryOf(deps, viewer, entryId));
}
