import ICAL from 'ical.js';
import { dayMs, daysAfter } from '../../dates';
import { isBounded } from './bounds';
import { nearerStart } from './nearer';
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
/** By the clock of another zone it is another day. */
const otherZone = 2;

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

/** Where to begin with an event of one rule; with several, at its start. */
function startFor(component: ICAL.Component, start: ICAL.Time, on: string): ICAL.Time {
  const [rule, ...more] = component.getAllProperties('rrule').map((each) => each.getFirstValue());
  return rule instanceof ICAL.Recur && more.length === 0 ? nearerStart(rule, start, on) : start;
}

/** The same as the parser's own details of an occurrence, where none has been changed: how long it lasts is asked once. */
function plainly(event: ICAL.Event) {
  const { duration } = event;
  return (startDate: ICAL.Time) => {
    const endDate = startDate.clone();
    endDate.addDuration(duration);
    return { item: event, startDate, endDate };
  };
}

/** For how many days the longest of some events lasts at most. */
const mostDays = (components: readonly ICAL.Component[]): number =>
  Math.max(
    ...components.map((each) => Math.ceil(new ICAL.Event(each).duration.toSeconds() / (dayMs / 1000)) + 1),
  );

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
  // What is long over is not laid out: that costs more than to know when it was.
  const moved = rest.length > 0 ? mostMoved : otherZone;
  const earliest = daysAfter(from, -moved - mostDays([first, ...rest]));
  const farthest = daysAfter(to, moved);
  const detailsOf = rest.length > 0 ? (at: ICAL.Time) => event.getOccurrenceDetails(at) : plainly(event);
  const iterator = event.iterator(startFor(first, event.startDate, earliest));
  for (let steps = 0; steps < mostSteps; steps++) {
    const next = iterator.next() as ICAL.Time | undefined;
    const planned = next?.toString().slice(0, 10);
    if (!next || !planned || planned > farthest) break;
    if (planned < earliest) continue;
    const { item, startDate, endDate } = detailsOf(next);
    if (cancelled(item)) continue;
    const one = occurrenceOf(item, startDate, endDate, next.toString(), timeZone);
    if (within(one)) found.push(one);
  }
}
