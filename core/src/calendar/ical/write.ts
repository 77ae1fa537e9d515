import ICAL from 'ical.js';
import { daysAfter } from '../../dates';
import { timeZoneComponent } from './zones';

/** One event as it is published. */
export interface PublishedEvent {
  readonly uid: string;
  readonly sequence: number;
  /** When it was last changed, an instant. */
  readonly changedAt: string;
  readonly cancelled: boolean;
  readonly title: string;
  readonly text: string | null;
  readonly place: string | null;
  readonly href: string | null;
  readonly categories: readonly string[];
  readonly on: string;
  /** Last day, included. */
  readonly lastOn: string;
  /** Times of the clock in `timeZone`; null for whole days. */
  readonly startsAt: string | null;
  readonly endsAt: string | null;
  readonly timeZone: string;
}

function timed(component: ICAL.Component, name: string, on: string, time: string, timeZone: string): void {
  const property = new ICAL.Property(name, component);
  const value = ICAL.Time.fromDateTimeString(`${on}T${time}:00`);
  if (timeZone === 'UTC') value.zone = ICAL.Timezone.utcTimezone;
  else property.setParameter('tzid', timeZone);
  property.setValue(value);
  component.addProperty(property);
}

function wholeDay(component: ICAL.Component, name: string, on: string): void {
  const property = new ICAL.Property(name, component);
  property.setValue(ICAL.Time.fromDateString(on));
  component.addProperty(property);
}

/** Characters that no calendar text may hold are left out; everything else is escaped by the format. */
// eslint-disable-next-line no-control-regex -- control characters are what is meant
export const clean = (text: string): string => text.replace(/[\u0000-\u0008\u000b-\u001f\u007f]/g, '');

/** One event; what is only shown leaves one's time free. */
export function eventComponent(event: PublishedEvent): ICAL.Component {
  const component = new ICAL.Component('vevent');
  const { startsAt, endsAt, timeZone, on, lastOn } = event;
  component.addPropertyWithValue('uid', event.uid);
  component.addPropertyWithValue('sequence', event.sequence);
  const stamp = ICAL.Time.fromJSDate(new Date(event.changedAt), true);
  component.addPropertyWithValue('dtstamp', stamp);
  component.addPropertyWithValue('last-modified', stamp);
  if (startsAt === null) {
    wholeDay(component, 'dtstart', on);
    // The end of whole days is the day after the last.
    wholeDay(component, 'dtend', daysAfter(lastOn, 1));
  } else {
    timed(component, 'dtstart', on, startsAt, timeZone);
    if (endsAt !== null) timed(component, 'dtend', lastOn, endsAt, timeZone);
  }
  component.addPropertyWithValue('summary', clean(event.title));
  if (event.text) component.addPropertyWithValue('description', clean(event.text));
  if (event.place) component.addPropertyWithValue('location', clean(event.place));
  if (event.href) component.addPropertyWithValue('url', event.href);
  if (event.categories.length > 0) {
    const property = new ICAL.Property('categories', component);
    property.setValues([...event.categories]);
    component.addProperty(property);
  }
  component.addPropertyWithValue('status', event.cancelled ? 'CANCELLED' : 'CONFIRMED');
  component.addPropertyWithValue('transp', 'TRANSPARENT');
  return component;
}

/** The VTIMEZONE of every zone that some events name. */
export function addZones(calendar: ICAL.Component, events: readonly PublishedEvent[]): void {
  const zones = new Set(events.flatMap(({ startsAt, timeZone }) => (startsAt === null ? [] : [timeZone])));
  for (const zone of zones) {
    const component = timeZoneComponent(zone);
    if (component) calendar.addSubcomponent(component);
  }
}

/**
 * A whole calendar (RFC 5545) with the VTIMEZONE of every zone its events name.
 * @param name what a calendar program shows it under.
 */
export function writeCalendar(name: string, events: readonly PublishedEvent[]): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Cadro//Days//EN');
  calendar.addPropertyWithValue('calscale', 'GREGORIAN');
  calendar.addPropertyWithValue('method', 'PUBLISH');
  calendar.addPropertyWithValue('x-wr-calname', clean(name));
  const refresh = new ICAL.Property('refresh-interval', calendar);
  refresh.setParameter('value', 'DURATION');
  refresh.setValue('PT1H');
  calendar.addProperty(refresh);
  // The same for programs from before there was a standard for it.
  calendar.addPropertyWithValue('x-published-ttl', 'PT1H');
  addZones(calendar, events);
  for (const event of events) calendar.addSubcomponent(eventComponent(event));
  return `${calendar.toString()}\r\n`;
}
