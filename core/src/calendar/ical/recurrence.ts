import ICAL from 'ical.js';

export type RuleFault = 'rule-not-read' | 'too-often';
const allowed: readonly string[] = ['DAILY', 'WEEKLY', 'MONTHLY', 'YEARLY'];
/** Days a rule is followed over; one that began long ago is followed from its beginning. */
const mostSteps = 20_000;

/** What is wrong with a recurrence rule; null for one that can be followed. Rules by the hour or faster cannot. */
export function ruleFault(rule: string): RuleFault | null {
  try {
    const recur = ICAL.Recur.fromString(rule);
    const { freq } = recur;
    if (!allowed.includes(freq)) return freq ? 'too-often' : 'rule-not-read';
    // The parser takes such an interval for 1.
    if (/INTERVAL=(-|\+?0+(;|$))/i.test(rule)) return 'rule-not-read';
    // It must come at least once: some rules that can be read never do.
    return recur.isFinite() || datesOf(rule, '2024-01-01', '2024-01-01', '2032-12-31', 1).length > 0
      ? null
      : 'rule-not-read';
  } catch {
    return 'rule-not-read';
  }
}

/** The days a rule gives between `from` and `to`, both included, by the calendar alone. */
function datesOf(rule: string, first: string, from: string, to: string, most: number): string[] {
  const found: string[] = [];
  const iterator = ICAL.Recur.fromString(rule).iterator(ICAL.Time.fromDateString(first));
  for (let steps = 0; steps < mostSteps; steps++) {
    const next = iterator.next();
    if (!next) break;
    const on = next.toString().slice(0, 10);
    if (on > to || found.length >= most) break;
    if (on >= from) found.push(on);
  }
  return found;
}

/**
 * The days of an entry between `from` and `to`, both included.
 * @param rule RFC 5545, null for an entry of one day.
 * @param skipped days that are left out.
 */
export function occurrences(
  {
    on,
    rule,
    skipped,
  }: { readonly on: string; readonly rule: string | null; readonly skipped: readonly string[] },
  from: string,
  to: string,
): string[] {
  if (rule === null) return on >= from && on <= to ? [on] : [];
  return datesOf(rule, on, from, to, 1000).filter((date) => !skipped.includes(date));
}
