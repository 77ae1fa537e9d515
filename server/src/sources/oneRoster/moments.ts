import { dateIn } from '@cadro/core';
import { instantAt } from '@cadro/core/ical';

/** What of a day is meant where a source says no time. */
export type Edge = 'start' | 'end';

const second = 1000;
const parts =
  /^(\d{4}-\d{2}-\d{2})(?:[T ](\d{2}:\d{2})(?::(\d{2})(?:[.,](\d+))?)?\s?(Z|[+-]\d{2}:?\d{2})?)?$/;

/** A source's dates come again and again, and a zone's arithmetic is slow. */
const known = new Map<string, string>();
const mostKnown = 20_000;

function reckon(moment: string, zone: string, edge: Edge): string {
  const [, on, time, seconds = '0', fraction = '', offset] = parts.exec(moment) ?? [];
  if (on === undefined) throw new RangeError(`not a moment: ${moment}`);
  if (time === undefined) {
    const at = edge === 'start' ? { on, time: '00:00' } : { on, time: '23:59' };
    return new Date(instantAt(zone, at) + (edge === 'end' ? 59 * second : 0)).toISOString();
  }
  const within = Number(seconds) * second + Math.trunc(Number(`0.${fraction || 0}`) * second);
  if (offset === undefined) return new Date(instantAt(zone, { on, time }) + within).toISOString();
  const zoned = offset === 'Z' ? 'Z' : `${offset.slice(0, 3)}:${offset.slice(-2)}`;
  return new Date(Date.parse(`${on}T${time}:00${zoned}`) + within).toISOString();
}

/**
 * The instant of a moment as a source writes it (`Moment` of the contract).
 * @param zone where it holds, if it does not say so itself.
 * @param edge what a date without a time means: its first instant, or 23:59:59.
 */
export function instantOf(moment: string, zone: string, edge: Edge): string {
  const key = `${moment} ${zone} ${edge}`;
  const before = known.get(key);
  if (before !== undefined) return before;
  const instant = reckon(moment, zone, edge);
  if (known.size >= mostKnown) known.clear();
  known.set(key, instant);
  return instant;
}

/** The date of a moment, where it has a zone of its own as the clock at `zone` shows it. */
export const dateOfMoment = (moment: string, zone: string): string =>
  /(Z|[+-]\d{2}:?\d{2})$/.test(moment.slice(10))
    ? dateIn(zone, new Date(instantOf(moment, zone, 'start')))
    : moment.slice(0, 10);
