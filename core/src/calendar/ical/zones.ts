import ICAL from 'ical.js';
import { tzlib_get_ical_block, tzlib_get_timezones } from 'timezones-ical-library';
import { isTimeZone } from '../../dates';
import { instantAt, wallTimeIn, type WallTime } from '../clock';

const described = new Set(tzlib_get_timezones() as string[]);

/** The VTIMEZONE of an IANA zone as a component; null for one that has none, such as UTC. */
export function timeZoneComponent(name: string): ICAL.Component | null {
  if (!described.has(name)) return null;
  const block = tzlib_get_ical_block(name);
  const text = Array.isArray(block) ? block[0] : block;
  return text?.startsWith('BEGIN:VTIMEZONE') ? new ICAL.Component(ICAL.parse(text.trim())) : null;
}

/**
 * Makes an IANA zone known to the parser, once for all: a zone laid out anew for every event would cost more than all
 * the rest. False for a name that is none, or that has no rules, such as UTC.
 */
export function knowZone(name: string): boolean {
  if (ICAL.TimezoneService.has(name)) return true;
  const component = timeZoneComponent(name);
  if (component) ICAL.TimezoneService.register(component);
  return component !== null || isNamed(name);
}

/**
 * Whether a name says which zone it is. Short ones say it in each country for another (`AST`, `BST`, `CST`, `IST`): they
 * are known only by what a file says of them.
 */
const isNamed = (name: string): boolean =>
  (name.includes('/') || /^(utc|gmt|z)$/i.test(name)) && isTimeZone(name);

/** The zones that some components name. */
export function zonesOf(components: readonly ICAL.Component[]): string[] {
  const names = components.flatMap((component) =>
    component.getAllProperties().flatMap((property) => {
      const tzid = property.getFirstParameter('tzid');
      return tzid ? [String(tzid)] : [];
    }),
  );
  return [...new Set(names)];
}

/** Zones that only a file knows, by their text; they come from outside, so only so many are kept. */
const fileZones = new Map<string, string>();
const mostFileZones = 100;

function nameOfFileZone(zone: ICAL.Component): string {
  const text = zone.toString();
  const known = fileZones.get(text);
  if (known) return known;
  if (fileZones.size >= mostFileZones) {
    for (const name of fileZones.values()) ICAL.TimezoneService.remove(name);
    fileZones.clear();
  }
  const name = `of a file, ${fileZones.size}`;
  fileZones.set(text, name);
  ICAL.TimezoneService.register(new ICAL.Timezone(new ICAL.Component(structuredClone(zone.toJSON()))), name);
  return name;
}

/** Lets the events of a calendar share their zones with all others that name the same, for the same reason. */
export function shareZones(calendar: ICAL.Component): void {
  const events = calendar.getAllSubcomponents('vevent');
  const own = new Set(
    calendar.getAllSubcomponents('vtimezone').map((zone) => String(zone.getFirstPropertyValue('tzid'))),
  );
  // What a file says of its zones goes before what their names are known for.
  for (const zone of zonesOf(events)) if (!own.has(zone)) knowZone(zone);
  for (const zone of calendar.getAllSubcomponents('vtimezone')) {
    const name = String(zone.getFirstPropertyValue('tzid'));
    const shared = nameOfFileZone(zone);
    for (const property of events.flatMap((event) => event.getAllProperties()))
      if (property.getFirstParameter('tzid') === name) property.setParameter('tzid', shared);
    calendar.removeSubcomponent(zone);
  }
}

/** The zone that a property names; null for none. */
export const tzidOf = (component: ICAL.Component, name: string): string | null => {
  const tzid = component.getFirstProperty(name)?.getFirstParameter('tzid');
  return tzid ? String(tzid) : null;
};

const two = (value: number): string => String(value).padStart(2, '0');
const wallOf = (time: ICAL.Time): WallTime => ({
  on: `${time.year}-${two(time.month)}-${two(time.day)}`,
  time: `${two(time.hour)}:${two(time.minute)}`,
});

/**
 * What the clock at `timeZone` shows when a calendar's own time comes: by UTC, by the file's own VTIMEZONE, or by the
 * IANA database. A time without a zone, or with one that nobody knows, is taken as of that clock.
 * @param tzid the name the file gives, null for none.
 */
export function toWall(time: ICAL.Time, tzid: string | null, timeZone: string): WallTime {
  const { zone } = time;
  if (tzid === timeZone) return wallOf(time);
  if (zone === ICAL.Timezone.utcTimezone) return wallTimeIn(timeZone, time.toUnixTime() * 1000);
  if (zone && zone !== ICAL.Timezone.localTimezone && zone.component) {
    return wallTimeIn(timeZone, time.toUnixTime() * 1000);
  }
  if (tzid && isNamed(tzid)) return wallTimeIn(timeZone, instantAt(tzid, wallOf(time)));
  return wallOf(time);
}
