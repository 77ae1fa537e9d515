import ICAL from 'ical.js';

/** What lasts longer than ten years is no event; the parser counts its months one by one. */
const mostSeconds = 10 * 366 * 24 * 60 * 60;
/** Single days that one event may name, to come on or to leave out. */
const mostDates = 2000;

const dates = (component: ICAL.Component, name: string): number =>
  component.getAllProperties(name).reduce((sum, property) => sum + property.getValues().length, 0);

/** Whether an event can be laid out in a time that nobody notices: by how long it lasts, and how many days it names. */
export function isBounded(component: ICAL.Component): boolean {
  const duration: unknown = component.getFirstPropertyValue('duration');
  if (duration instanceof ICAL.Duration && Math.abs(duration.toSeconds()) > mostSeconds) return false;
  return dates(component, 'rdate') <= mostDates && dates(component, 'exdate') <= mostDates;
}
