import type { Calendar, CalendarEvent, CalendarLayer } from '@cadro/contract';
import { byCodePoint, clustersOf, type DateRange } from '@cadro/core';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { parseISO } from 'date-fns/parseISO';
import { HttpProblem } from '../kit';
import type { CalendarDeps } from './apart';
import { attendanceEvents } from './layers/attended';
import { lookAgainEvents, planEvents } from './layers/household';
import { importedEvents } from './layers/imported';
import { meetingEvents } from './layers/meetings';
import { ownEvents } from './layers/own';
import { closureEvents, schoolEvents } from './layers/school';
import { offerEvents, ownDateEvents, workEvents } from './layers/work';
import { viewerOf, type Viewer } from './viewer';
import { ownDated } from './workStore';

/** More than a year is no calendar page. */
const mostDays = 400;

/** @throws HttpProblem 400 for days that end before they begin, or are too many. */
export function refuseLongRange({ from, to }: DateRange): void {
  const days = differenceInCalendarDays(parseISO(to), parseISO(from)) + 1;
  if (days < 1 || days > mostDays)
    throw new HttpProblem('bad-request', {
      errors: [{ path: '/to', message: `must lie 0 to ${mostDays - 1} days after from` }],
    });
}

/** Where they were comes before what is due. */
const order: readonly CalendarLayer[] = [
  ...(['closed', 'attendance', 'meeting', 'school', 'test', 'due'] as const),
  ...(['offer', 'own', 'imported', 'plan', 'look-again'] as const),
];
/** By time, whole days first; then by layer and title, so that the same day always reads the same. */
const placeOf = ({ on, startsAt, layer, title, key }: CalendarEvent): string =>
  [on, startsAt ?? '', String(order.indexOf(layer)).padStart(2, '0'), title, key].join('\u0000');
function inOrder(events: readonly CalendarEvent[]): CalendarEvent[] {
  const placed = events.map((event) => ({ event, place: placeOf(event) }));
  return placed.sort((a, b) => byCodePoint(a.place, b.place)).map(({ event }) => event);
}

/**
 * Every event that touches the days of a range, in the order of time; whole days come first.
 * @param layers only these; what nobody asked for is not looked up.
 */
export async function eventsOf(
  deps: CalendarDeps,
  viewer: Viewer,
  range: DateRange,
  layers: readonly CalendarLayer[],
): Promise<CalendarEvent[]> {
  const { db } = deps;
  const of = (needed: readonly CalendarLayer[], read: () => Promise<CalendarEvent[]>) =>
    layers.some((layer) => needed.includes(layer)) ? read() : [];
  const found = await Promise.all([
    of(['test', 'due'], () => workEvents(db, viewer, range)),
    of(['offer'], () => offerEvents(db, viewer, range)),
    of(['school', 'meeting'], () => schoolEvents(db, viewer, range)),
    of(['meeting'], () => meetingEvents(db, viewer, range)),
    of(['closed'], () => closureEvents(db, viewer, range)),
    of(['attendance'], () => attendanceEvents(db, viewer, range)),
    of(['own'], () => ownEvents(deps, viewer, range)),
    of(['own'], () => ownDateEvents(db, viewer, range)),
    of(['plan'], () => planEvents(deps, viewer, range)),
    of(['look-again'], () => lookAgainEvents(deps, viewer, range)),
    of(['imported'], () => importedEvents(deps, viewer, range)),
  ]);
  return inOrder(found.flat().filter(({ layer }) => layers.includes(layer)));
}

/** Everything on the days of a range, and the undated work beside it. */
export async function calendarOf(
  deps: CalendarDeps,
  guardianId: string,
  range: DateRange,
  layers: readonly CalendarLayer[],
): Promise<Calendar> {
  refuseLongRange(range);
  const viewer = await viewerOf(deps, guardianId);
  const ids = viewer.children.map(({ id }) => id);
  const [events, undated] = await Promise.all([
    eventsOf(deps, viewer, range, layers),
    ownDated(deps.db, ids, viewer.householdId, viewer.now),
  ]);
  const mayTalk = new Set(viewer.talk.map(({ id }) => id));
  return {
    ...range,
    today: viewer.today,
    events,
    clusters: clustersOf(events),
    undated: undated
      .filter(({ open }) => open)
      .map(({ studentId, courseId, courseTitle, itemId, title, ownDate }) => ({
        ...{ studentId, courseId, courseTitle, itemId, title },
        ownDate: mayTalk.has(studentId) ? ownDate : null,
      })),
  };
}
