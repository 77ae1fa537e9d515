import ICAL from 'ical.js';
import { expandEvent } from './expand';
import { isBounded } from './bounds';
import { ruleFault } from './recurrence';
import { withinSteps, type Steps } from './steps';
import { knowZone, shareZones, toWall, tzidOf, zonesOf } from './zones';

/** An event of a file with its exceptions, kept as text so that it can be read again in any range. */
export interface ReadEvent {
  readonly uid: string;
  readonly title: string;
  /** A VCALENDAR of this event, its changed occurrences, and the zones they name that only the file knows. */
  readonly component: string;
  readonly firstOn: string;
  /** Null for one that goes on beyond the horizon it was read to. */
  readonly lastOn: string | null;
}
export type ImportNoteKind =
  | 'no-start'
  | 'bad-component'
  | 'unknown-zone'
  | 'rule-not-read'
  | 'too-often'
  | 'not-an-event'
  | 'no-uid'
  | 'too-many';
export interface ImportNote {
  readonly note: ImportNoteKind;
  readonly about: string;
  readonly count: number;
}
export interface ReadCalendar {
  readonly name: string | null;
  readonly events: readonly ReadEvent[];
  readonly notes: readonly ImportNote[];
}

/** A file that is no calendar, or breaks off. */
export class CalendarError extends Error {
  override readonly name = 'CalendarError';
  readonly code = 'calendar-unreadable';
}

/** More events than these are no school's calendar. */
const mostEvents = 5000;
/** Occurrences looked at in one file: what cannot be followed within them would hold up every reading. */
const mostSteps = 100_000;
const mostRuleSteps = 5_000_000;
/** Zones that one file may describe. */
const mostZones = 200;

const textOf = (component: ICAL.Component, name: string): string => {
  const value = component.getFirstPropertyValue(name);
  return value === null || value === undefined ? '' : String(value);
};
/** Null also for what is there and no time. */
function timeOf(component: ICAL.Component, name: string): ICAL.Time | null {
  try {
    const value = component.getFirstPropertyValue(name);
    return value instanceof ICAL.Time ? value : null;
  } catch {
    return null;
  }
}

class Notes {
  private readonly found = new Map<string, { note: ImportNoteKind; about: string; count: number }>();
  add(note: ImportNoteKind, about: string): void {
    const key = `${note}\n${about}`;
    const known = this.found.get(key);
    if (known) known.count++;
    else this.found.set(key, { note, about: about.slice(0, 120), count: 1 });
  }
  get list(): ImportNote[] {
    return [...this.found.values()];
  }
}

/** Parts of a text that is one whole calendar. */
function parsed(text: string): ICAL.Component {
  const trimmed = text.replace(/^\ufeff/, '').trim();
  if (!/^BEGIN:VCALENDAR/i.test(trimmed)) throw new CalendarError('does not begin with BEGIN:VCALENDAR');
  if (!/END:VCALENDAR$/i.test(trimmed)) throw new CalendarError('breaks off before END:VCALENDAR');
  try {
    const jcal = ICAL.parse(trimmed) as unknown[];
    // Several calendars in one file come as a list of them: they are read as one.
    const all = (Array.isArray(jcal[0]) ? jcal : [jcal]) as [string, unknown[], unknown[]][];
    const [first, ...more] = all.map((each) => new ICAL.Component(each));
    if (!first) throw new CalendarError('holds no calendar');
    for (const calendar of more)
      for (const component of calendar.getAllSubcomponents()) first.addSubcomponent(copyOf(component));
    return first;
  } catch (error) {
    throw new CalendarError(error instanceof Error ? error.message : String(error), { cause: error });
  }
}

interface Group {
  readonly uid: string;
  master: ICAL.Component | null;
  readonly changed: ICAL.Component[];
}

/** Events by their UID: the event itself and its changed occurrences. */
function groups(calendar: ICAL.Component, notes: Notes): Group[] {
  const found = new Map<string, Group>();
  for (const component of calendar.getAllSubcomponents()) {
    if (component.name === 'vtimezone') continue;
    if (component.name !== 'vevent') {
      notes.add('not-an-event', component.name.toUpperCase());
      continue;
    }
    const title = textOf(component, 'summary');
    const start = timeOf(component, 'dtstart');
    if (!start) {
      notes.add('no-start', title);
      continue;
    }
    let uid = textOf(component, 'uid');
    if (!uid) {
      // The same file read again must not double it.
      uid = `${start.toString()}/${title}`;
      notes.add('no-uid', title);
    }
    const group = found.get(uid) ?? { uid, master: null, changed: [] };
    found.set(uid, group);
    if (component.getFirstProperty('recurrence-id')) group.changed.push(component);
    else if (!group.master || sequenceOf(component) >= sequenceOf(group.master)) group.master = component;
  }
  return [...found.values()];
}
const sequenceOf = (component: ICAL.Component): number => Number(textOf(component, 'sequence')) || 0;

/** Takes out of a component what cannot be followed. */
function mend(component: ICAL.Component, notes: Notes, steps: Steps): void {
  const title = textOf(component, 'summary');
  for (const property of component.getAllProperties('rrule')) {
    const fault = ruleFault(String(property.getFirstValue()), steps);
    if (!fault) continue;
    notes.add(fault, title);
    component.removeProperty(property);
  }
  // The start is one of the days, also beside a list of more of them.
  const start = component.getFirstProperty('dtstart')?.toJSON() as [string, ...unknown[]] | undefined;
  if (start && component.hasProperty('rdate') && !component.hasProperty('rrule'))
    component.addProperty(new ICAL.Property(['rdate', ...start.slice(1)]));
}

/** How far rules are followed: to a day, and over so many occurrences in all. */
interface Reach {
  readonly horizon: string;
  steps: number;
  /** What the rules of the whole file may take together. */
  readonly rules: Steps;
}

const endless = (component: ICAL.Component): boolean =>
  component.getAllProperties('rrule').some((property) => {
    const rule = property.getFirstValue();
    return rule instanceof ICAL.Recur && !rule.count && !rule.until;
  });

/**
 * The last day on which an event can still come; null where its rule goes on beyond the horizon.
 * @throws RangeError when the file's rules come too often to be followed.
 */
function lastDay(event: ICAL.Event, on: (time: ICAL.Time) => string, reach: Reach): string | null {
  const ends = (start: ICAL.Time): string => {
    const end = start.clone();
    end.addDuration(event.duration);
    // The end of whole days is the day after the last.
    if (end.isDate && end.compare(start) > 0) end.adjust(-1, 0, 0, 0);
    return on(end);
  };
  if (!event.isRecurring()) return ends(event.startDate);
  // One that is neither counted nor ended goes on.
  if (endless(event.component)) return null;
  const iterator = event.iterator();
  let last = event.startDate;
  for (;;) {
    if (reach.steps-- <= 0) throw new RangeError('comes too often');
    const next = iterator.next() as ICAL.Time | undefined;
    if (!next) return ends(last);
    if (next.toString().slice(0, 10) > reach.horizon) return null;
    last = next;
  }
}

function readGroup(
  group: Group,
  zones: ReadonlyMap<string, ICAL.Component>,
  timeZone: string,
  notes: Notes,
  reach: Reach,
): ReadEvent | null {
  const master = group.master ?? group.changed[0];
  if (!master) return null;
  const components = [master, ...group.changed.filter((each) => each !== master)];
  if (!components.every(isBounded)) throw new RangeError('lasts too long, or names too many days');
  for (const component of components) mend(component, notes, reach.rules);
  const own = new ICAL.Component('vcalendar');
  for (const zone of zonesOf(components)) {
    // What the file says of it goes before what its name is known for.
    const component = zones.get(zone);
    if (component) own.addSubcomponent(copyOf(component));
    else if (!knowZone(zone)) notes.add('unknown-zone', zone);
  }
  for (const component of components) own.addSubcomponent(copyOf(component));
  const component = own.toString();
  // From here on by the copy, whose times know the zones beside them.
  shareZones(own);
  const [first, ...changed] = own.getAllSubcomponents('vevent');
  if (!first) return null;
  const event = new ICAL.Event(first);
  const tzid = tzidOf(first, 'dtstart');
  const on = (time: ICAL.Time): string => (time.isDate ? time.toString() : toWall(time, tzid, timeZone).on);
  const moved = changed.flatMap((each) => {
    const start = timeOf(each, 'dtstart');
    return start ? [on(start)] : [];
  });
  const firstOn = on(event.startDate);
  const lastOn = withinSteps(reach.rules, () => lastDay(event, on, reach));
  // What cannot be laid out is told of now, not when the calendar is opened.
  expandEvent(component, firstOn, firstOn, timeZone, reach.rules);
  return {
    uid: group.uid,
    title: textOf(master, 'summary'),
    component,
    firstOn: [firstOn, ...moved].sort()[0] ?? firstOn,
    lastOn: lastOn && ([lastOn, ...moved].sort().at(-1) ?? lastOn),
  };
}
const copyOf = (component: ICAL.Component): ICAL.Component =>
  new ICAL.Component(structuredClone(component.toJSON()));

/**
 * Reads a calendar file. What cannot be understood is left out and noted; events without a UID get one of their start
 * and title, so that the same file read again is the same.
 * @param timeZone the zone of times that name none, or one that nobody knows.
 * @param horizon the day to which rules are followed when their end is looked for.
 * @throws CalendarError for a text that is no whole calendar.
 */
export function readCalendar(text: string, timeZone: string, horizon: string): ReadCalendar {
  const calendar = parsed(text);
  const notes = new Notes();
  const described = calendar.getAllSubcomponents('vtimezone');
  if (described.length > mostZones) throw new CalendarError(`describes more than ${mostZones} time zones`);
  const zones = new Map(described.map((zone) => [textOf(zone, 'tzid'), zone] as const));
  const found = groups(calendar, notes);
  const reach = { horizon, steps: mostSteps, rules: { left: mostRuleSteps } };
  if (found.length > mostEvents) notes.add('too-many', String(found.length));
  const events = found.slice(0, mostEvents).flatMap((group): ReadEvent[] => {
    try {
      const event = readGroup(group, zones, timeZone, notes, reach);
      return event ? [event] : [];
    } catch (error) {
      const about = group.master ? textOf(group.master, 'summary') : group.uid;
      notes.add(error instanceof RangeError ? 'too-often' : 'bad-component', about);
      return [];
    }
  });
  return { name: textOf(calendar, 'x-wr-calname') || null, events, notes: notes.list };
}
