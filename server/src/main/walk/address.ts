import ICAL from 'ical.js';
import { daysAfter } from '@cadro/core';
import { addressLayers, type Seen } from './evening';
import type { Said } from './said';

/* What a calendar program is told of the fortnight, and what Days shows of it. */

const layers: readonly string[] = addressLayers;
const two = (number: number): string => String(number).padStart(2, '0');

function startOf(event: ICAL.Component): { on: string; text: string } {
  const start = event.getFirstPropertyValue('dtstart') as ICAL.Time;
  const on = start.toString().slice(0, 10);
  return { on, text: start.isDate ? on : `${on} ${two(start.hour)}:${two(start.minute)}` };
}

const startsBy = (events: readonly (readonly [name: string, start: string])[]): Map<string, string[]> => {
  const found = new Map<string, string[]>();
  for (const [name, start] of events) found.set(name, [...(found.get(name) ?? []), start].sort());
  return found;
};

/** Each event of the fortnight by both roads; one that only one of them has is a disagreement too. */
export function inCalendars({ address, events, on, children }: Seen): Said[] {
  const names = new Map(children.map(({ id, givenName }) => [id, givenName]));
  const last = daysAfter(on, 14);
  const shown = startsBy(
    events
      .filter(({ layer, on: day }) => layers.includes(layer) && day >= on)
      .map(({ on: day, startsAt, title, studentIds }) => {
        const whose = [...names].flatMap(([id, name]) => (studentIds.includes(id) ? [name] : []));
        const name = whose.length > 0 ? `${whose.join(', ')}: ${title}` : title;
        return [name, startsAt ? `${day} ${startsAt}` : day] as const;
      }),
  );
  const calendar = new ICAL.Component(ICAL.parse(address) as [string, unknown[], unknown[]]);
  const subscribed = startsBy(
    calendar.getAllSubcomponents('vevent').flatMap((event) => {
      // A program takes out what is told as cancelled.
      if (event.getFirstPropertyValue('status') === 'CANCELLED') return [];
      const start = startOf(event);
      const name = String(event.getFirstPropertyValue('summary') ?? '');
      return start.on >= on && start.on <= last ? [[name, start.text] as const] : [];
    }),
  );
  return [...new Set([...shown.keys(), ...subscribed.keys()])].flatMap((name) => {
    const said = (place: string, starts: readonly string[] | undefined): Said => ({
      ...{ place, about: `when: ${name}`, text: starts?.join(', ') ?? '–' },
    });
    return [said('Days', shown.get(name)), said('calendar address', subscribed.get(name))];
  });
}
