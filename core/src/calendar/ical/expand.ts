import ICAL from 'ical.js';
import { daysAfter } from '../../dates';
import { isBounded } from './bounds';
import { RuleTooLong, stepsOfOne, withinSteps, type Steps } from './steps';
import { shareZones, toWall, tzidOf } from './zones';

/** One occurrence of an imported event, by the clock of the zone it was asked in. */
export interface Occurrence {
  /** Tells one occurrence of an event from another: the day it was planned for. */
  readonly planned: string;
  readonly title: string;
  readonly place: string | null;
  readonly text: string | null;
  readonly href: string | null;
  readonly on: string;
  readonly lastOn: string;
  readonly startsAt: string | null;
  readonly endsAt: string | null;
}

/** Occurrences looked at in one event; daily for forty years is within. */
const mostSteps = 15_000;
/** A changed occurrence may have been moved by so many days. */
const mostMoved = 62;

function occurrenceOf(
  item: ICAL.Event,
  start: ICAL.Time,
  end: ICAL.Time,
  planned: string,
  timeZone: string,
): Occurrence {
  const plain = (value: string | null | undefined) => (value ? String(value) : null);
  const url = item.component.getFirstPropertyValue('url');
  const what = {
    planned,
    title: plain(item.summary) ?? '',
    place: plain(item.location),
    text: plain(item.description),
    href: url && /^https?:\/\//i.test(String(url)) ? String(url) : null,
  };
  if (start.isDate) {
    const lastOn = end.compare(start) > 0 ? daysAfter(end.toString(), -1) : start.toString();
    return { ...what, on: start.toString(), lastOn, startsAt: null, endsAt: null };
  }
  const tzid = tzidOf(item.component, 'dtstart');
  const [from, to] = [toWall(start, tzid, timeZone), toWall(end, tzid, timeZone)];
  // What begins and ends at once has no end of its own.
  const endsAt = from.on === to.on && from.time === to.time ? null : to.time;
  return { ...what, on: from.on, lastOn: to.on, startsAt: from.time, endsAt };
}

/**
 * The occurrences of an imported event on the days from `from` to `to`, both included, as the clock of a zone shows
 * them; changed and left-out occurrences are followed, and cancelled ones are none.
 * @param component what `readCalendar` has kept; one that cannot be followed within the steps gives what it has by then.
 */
export function expandEvent(
  component: string,
  from: string,
  to: string,
  timeZone: string,
  steps: Steps = stepsOfOne(),
): Occurrence[] {
  const found: Occurrence[] = [];
  try {
    withinSteps(steps, () => expandInto(found, component, { from, to, timeZone }));
  } catch (error) {
    if (!(error instanceof RuleTooLong)) throw error;
  }
  return found;
}

interface Range {
  readonly from: string;
  readonly to: string;
  readonly timeZone: string;
}

function expandInto(found: Occurrence[], component: string, { from, to, timeZone }: Range): void {
  const calendar = new ICAL.Component(ICAL.parse(component));
  const [first, ...rest] = calendar.getAllSubcomponents('vevent');
  if (!first || ![first, ...rest].every(isBounded)) return;
  shareZones(calendar);
  const event = new ICAL.Event(first, { exceptions: rest });
  const cancelled = (item: ICAL.Event) =>
    String(item.component.getFirstPropertyValue('status') ?? '').toUpperCase() === 'CANCELLED';
  const within = ({ on, lastOn }: Occurrence) => lastOn >= from && on <= to;
  if (!event.isRecurring()) {
    const one = occurrenceOf(event, event.startDate, event.endDate, event.startDate.toString(), timeZone);
    if (!cancelled(event) && within(one)) found.push(one);
    return;
  }
  const farthest = daysAfter(to, mostMoved);
  const iterator = event.iterator();
  for (let steps = 0; steps < mostSteps; steps++) {
    const next = iterator.next() as ICAL.Time | undefined;
    if (!next || next.toString().slice(0, 10) > farthest) break;
    const { item, startDate, endDate } = event.getOccurrenceDetails(next);
    if (cancelled(item)) continue;
    const one = occurrenceOf(item, startDate, endDate, next.toString(), timeZone);
    if (within(one)) found.push(one);
  }
}
