import ICAL from 'ical.js';
import { nearerStart } from './nearer';
import { RuleTooLong, stepsOfOne, withinShare, type Steps } from './steps';

export type RuleFault = 'rule-not-read' | 'too-often';
const allowed: readonly string[] = ['DAILY', 'WEEKLY', 'MONTHLY', 'YEARLY'];
/** Days a rule is followed over; one that began long ago is followed from its beginning. */
const mostSteps = 20_000;

/**
 * What is wrong with a recurrence rule; null for one that can be followed. Rules by the hour or faster cannot.
 * @param steps that may be made to find out, over all rules that share them.
 */
export function ruleFault(rule: string, steps: Steps = stepsOfOne()): RuleFault | null {
  try {
    const recur = ICAL.Recur.fromString(rule);
    const { freq } = recur;
    if (!allowed.includes(freq)) return freq ? 'too-often' : 'rule-not-read';
    // The parser takes such an interval for 1.
    if (/INTERVAL=(-|\+?0+(;|$))/i.test(rule)) return 'rule-not-read';
    // It must come at least once: some rules that can be read never do.
    return comesAgain(rule, steps) ? null : 'rule-not-read';
  } catch {
    return 'rule-not-read';
  }
}

/** Whether a rule gives a day besides the one it begins on, whenever it ends: the parser gives that one whatever the rule is. */
const comesAgain = (rule: string, steps: Steps): boolean =>
  datesOf(rule.replace(/;?(COUNT|UNTIL)=[^;]*/gi, ''), '2024-01-01', '2024-01-02', '2064-12-31', 1, steps)
    .length > 0;

/** The days a rule gives between `from` and `to`, both included, by the calendar alone. */
function datesOf(
  rule: string,
  first: string,
  from: string,
  to: string,
  most: number,
  steps: Steps = stepsOfOne(),
): string[] {
  const found: string[] = [];
  try {
    withinShare(steps, () => follow(rule, { first, from, to, most }, found));
  } catch (error) {
    // One that was kept before it was known to be endless gives what it has.
    if (!(error instanceof RuleTooLong)) throw error;
  }
  return found;
}

interface Looked {
  readonly first: string;
  readonly from: string;
  readonly to: string;
  readonly most: number;
}

function follow(rule: string, { first, from, to, most }: Looked, found: string[]): void {
  const recur = ICAL.Recur.fromString(rule);
  const iterator = recur.iterator(nearerStart(recur, ICAL.Time.fromDateString(first), from));
  for (let steps = 0; steps < mostSteps; steps++) {
    const next = iterator.next();
    if (!next) break;
    const on = next.toString().slice(0, 10);
    if (on > to || found.length >= most) break;
    if (on >= from) found.push(on);
  }
}

/**
 * The days of an entry between `from` and `to`, both included.
 * @param rule RFC 5545, null for an entry of one day.
 * @param skipped days that are left out.
 * @param steps that may be made, over all rules that share them; what comes after them is not found.
 */
export function occurrences(
  {
    on,
    rule,
    skipped,
  }: { readonly on: string; readonly rule: string | null; readonly skipped: readonly string[] },
  from: string,
  to: string,
  steps: Steps = stepsOfOne(),
): string[] {
  if (rule === null) return on >= from && on <= to ? [on] : [];
  return datesOf(rule, on, from, to, 1000, steps).filter((date) => !skipped.includes(date));
}
