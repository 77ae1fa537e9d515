import { daysAfter } from '@cadro/core';
import {
  CalendarError,
  expandEvent,
  occurrences,
  readCalendar,
  ruleFault,
  writeCalendar,
  type Occurrence,
  type PublishedEvent,
  type ReadCalendar,
  type RuleFault,
} from '@cadro/core/ical';

export interface CalendarAsk {
  readonly text: string;
  readonly timeZone: string;
  /** Rules are followed up to this day. */
  readonly horizon: string;
}

/** What a calendar holds, or why it is none. */
export type CalendarAnswer = ReadCalendar | { readonly refused: string };

/** What a calendar's text holds. */
export const read = ({ text, timeZone, horizon }: CalendarAsk): CalendarAnswer => {
  try {
    return readCalendar(text, timeZone, horizon);
  } catch (error) {
    if (error instanceof CalendarError) return { refused: error.message };
    throw error;
  }
};

/** What is wrong with a rule; null for one that can be followed. */
export const faultOf = (rule: string): RuleFault | null => ruleFault(rule);

/**
 * Enough for all that a family writes down, or reads in, in a few seconds; a rule that comes after them gives what it has by
 * then. To lay an event out costs more than to know its day.
 */
const stepsTogether = { days: 3_000_000, events: 400_000 } as const;

/** An entry that comes again and again, and the days between which it is looked for. */
export interface AgainAsk {
  readonly on: string;
  readonly rule: string;
  readonly skipped: readonly string[];
  readonly from: string;
  readonly to: string;
}

/** The days of each. */
export function days(asked: readonly AgainAsk[]): string[][] {
  const steps = { left: stepsTogether.days };
  return asked.map(({ from, to, ...entry }) => occurrences(entry, from, to, steps));
}

/** An event as it was kept, with the zone it is read in. */
export interface KeptEvent {
  readonly component: string;
  readonly timeZone: string;
  readonly firstOn: string;
  /** Null for one that comes again and again without an end. */
  readonly lastOn: string | null;
}
export interface EventsAsk {
  readonly from: string;
  readonly to: string;
  readonly events: readonly KeptEvent[];
}

/** More than anybody reads: what comes after them is left for who asks for later days. */
const mostOccurrences = 2000;
/** So many days are laid out at once, so that what is left out costs nothing. */
const stretchDays = 31;

/** The occurrences of each, as far as there are not too many of them in all. */
export function expanded({ from, to, events }: EventsAsk): Occurrence[][] {
  const steps = { left: stepsTogether.events };
  const found = events.map((): Occurrence[] => []);
  let count = 0;
  for (let on = from; on <= to && count < mostOccurrences; on = daysAfter(on, stretchDays)) {
    const last = daysAfter(on, stretchDays - 1);
    const until = last < to ? last : to;
    events.forEach(({ component, timeZone, firstOn, lastOn }, at) => {
      if (firstOn > until || (lastOn !== null && lastOn < on)) return;
      // What goes on from the stretch before has been found there.
      const here = expandEvent(component, on, until, timeZone, steps).filter(
        (each) => on === from || each.on >= on,
      );
      found[at]?.push(...here);
      count += here.length;
    });
  }
  const until = found.flatMap((each) => each.map(({ on }) => on)).sort()[mostOccurrences];
  return until === undefined ? found : found.map((each) => each.filter(({ on }) => on < until));
}

export interface WriteAsk {
  readonly name: string;
  readonly events: readonly PublishedEvent[];
}

/** A calendar as a file. */
export const write = ({ name, events }: WriteAsk): string => writeCalendar(name, events);
