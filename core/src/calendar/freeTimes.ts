import { daysAfter, isWeekend } from '../dates';

/** From one instant to another, in milliseconds. */
export interface Stretch {
  readonly fromMs: number;
  readonly toMs: number;
}

export const overlaps = (a: Stretch, b: Stretch): boolean => a.fromMs < b.toMs && b.fromMs < a.toMs;

/** Who is busy in a stretch of time, by name, in their order. */
export const busyIn = (
  stretch: Stretch,
  people: readonly { readonly name: string; readonly busy: readonly Stretch[] }[],
): string[] =>
  people.filter(({ busy }) => busy.some((each) => overlaps(each, stretch))).map(({ name }) => name);

export interface FreeAsk {
  /** The first and last day that are looked at, `YYYY-MM-DD`. */
  readonly from: string;
  readonly to: string;
  /** Days without school: nobody is there. */
  readonly closed: ReadonlySet<string>;
  /** Between which times of the clock, `15:00`. */
  readonly opens: string;
  readonly closes: string;
  readonly minutes: number;
  /** At most so many. */
  readonly most: number;
  /** The instant of a clock's time on a day, where the school is, in milliseconds. */
  readonly instantAt: (on: string, time: string) => number;
  readonly nowMs: number;
  readonly busy: readonly (readonly Stretch[])[];
}

const minuteMs = 60_000;
/** Meetings begin at a quarter of an hour. */
const stepMs = 15 * minuteMs;

/**
 * Times at which everybody is free, on school days, one a day at most: days that differ are a choice, quarters of an hour
 * are not.
 */
export function freeTimes(ask: FreeAsk): Stretch[] {
  const { from, to, closed, opens, closes, minutes, most, instantAt, nowMs, busy } = ask;
  const found: Stretch[] = [];
  const taken = busy.flat();
  for (let on = from; on <= to && found.length < most; on = daysAfter(on, 1)) {
    if (isWeekend(on) || closed.has(on)) continue;
    const last = instantAt(on, closes) - minutes * minuteMs;
    for (let fromMs = instantAt(on, opens); fromMs <= last; fromMs += stepMs) {
      const stretch = { fromMs, toMs: fromMs + minutes * minuteMs };
      if (fromMs <= nowMs || taken.some((each) => overlaps(each, stretch))) continue;
      found.push(stretch);
      break;
    }
  }
  return found;
}
