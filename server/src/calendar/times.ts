import type { AnswerOf, Between, FileTime, timeRoutes } from '@cadro/contract';
import { daysAfter, type DateRange } from '@cadro/core';
import { instantAt } from '@cadro/core/ical';
import { householdOf, requireChild, writersBeside } from '../household';
import { houseOf } from '../kit';
import { meetingsBetween } from '../meetings';
import { expandedApart, readApart, type CalendarDeps } from './apart';
import { refuseLongRange } from './calendar';
import { entriesFor } from './entryStore';
import { importedEvents } from './layers/imported';
import { daysOf } from './layers/own';
import { closureEvents } from './layers/school';
import { anywhere, viewerOf, type Viewer } from './viewer';

/** What has no end lasts so long. */
const usualMs = 3_600_000;

interface Timed {
  readonly on: string;
  readonly lastOn: string;
  readonly startsAt: string | null;
  readonly endsAt: string | null;
  readonly timeZone: string;
}

/** Of whole days it is not known when somebody is there: they leave one's time free. */
function betweenOf({ on, lastOn, startsAt, endsAt, timeZone }: Timed): Between[] {
  if (startsAt === null) return [];
  const from = instantAt(timeZone, { on, time: startsAt });
  const to = endsAt === null ? from + usualMs : instantAt(timeZone, { on: lastOn, time: endsAt });
  return [{ startsAt: new Date(from).toISOString(), endsAt: new Date(Math.max(to, from)).toISOString() }];
}

/** When a person of a household has something: what they have written down, meetings, and calendars of no child's. */
async function busyOf(deps: CalendarDeps, viewer: Viewer, range: DateRange): Promise<Between[]> {
  const entries = (await entriesFor(deps.db, viewer)).filter(({ kind }) => kind === 'event');
  const [days, imported, meetings] = await Promise.all([
    daysOf(deps, viewer, entries, range),
    importedEvents(deps, viewer, range),
    meetingsBetween(
      deps.db,
      viewer.householdId,
      viewer.talk.map(({ id }) => id),
      anywhere(range),
    ),
  ]);
  return [
    ...[...days].flatMap(([entry, found]) =>
      found.flatMap((on) =>
        betweenOf({
          ...{ on, startsAt: entry.starts_at, endsAt: entry.ends_at, timeZone: entry.time_zone },
          lastOn: entry.rule ? on : (entry.last_on ?? on),
        }),
      ),
    ),
    ...imported.filter(({ studentIds }) => studentIds.length === 0).flatMap(betweenOf),
    ...meetings
      .filter(({ state }) => state === 'stands')
      .map((row) => ({ startsAt: row.starts_at.toISOString(), endsAt: row.ends_at.toISOString() })),
  ].sort((a, b) => a.startsAt.localeCompare(b.startsAt));
}

/** When each guardian of the household has something; of another's private entries their times alone. */
export async function busyAtHome(
  deps: CalendarDeps,
  guardianId: string,
  range: DateRange,
): Promise<AnswerOf<typeof timeRoutes.busy>> {
  refuseLongRange(range);
  const viewer = await viewerOf(deps, guardianId);
  const { author } = await householdOf(deps.db, guardianId);
  const ids = viewer.talk.map(({ id }) => id);
  const others = await writersBeside(deps.db, guardianId, ids);
  const people = [{ id: guardianId, name: author, busy: await busyOf(deps, viewer, range) }];
  // What the other has for themselves no policy shows: it is reckoned for them, and nothing but its times is told.
  const house = { ...deps, db: houseOf(deps.db) };
  for (const { id, name } of others)
    people.push({ id, name, busy: await busyOf(house, await viewerOf(house, id), range) });
  const closed = await closureEvents(deps.db, viewer, range);
  return { people, closed: closed.map(({ studentIds, on, lastOn }) => ({ studentIds, on, lastOn })) };
}

/** Times of a file are looked for so many days ahead. */
const daysAhead = 120;
const mostTimes = 100;

/** The times of a calendar file that lie ahead, the soonest first. @throws HttpProblem 422 for a text that is none. */
export async function timesInFile(
  deps: CalendarDeps,
  guardianId: string,
  { studentId, text }: { readonly studentId: string; readonly text: string },
): Promise<AnswerOf<typeof timeRoutes.inFile>> {
  const { timeZone } = await requireChild(deps.db, guardianId, studentId, 'write-talk');
  const { now, today } = await viewerOf(deps, guardianId);
  const to = daysAfter(today, daysAhead);
  const { events } = await readApart(deps, guardianId, { text, timeZone, horizon: to });
  const found = await expandedApart(deps, guardianId, {
    ...{ from: today, to },
    events: events.map(({ component, firstOn, lastOn }) => ({ component, firstOn, lastOn, timeZone })),
  });
  const times = found.flat().flatMap((each): FileTime[] =>
    betweenOf({ ...each, timeZone }).map((between) => ({
      ...between,
      title: each.title,
      place: each.place,
    })),
  );
  return {
    times: times
      .filter(({ startsAt }) => startsAt > now.toISOString())
      .sort((a, b) => a.startsAt.localeCompare(b.startsAt))
      .slice(0, mostTimes),
  };
}
