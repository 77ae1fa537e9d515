import type { AlertRules, Preset, RuleSettings } from '@cadro/contract';

const threshold = { percent: 70, level: 2.5, letter: null };

/** What a guardian is told who has set nothing. */
const usual: RuleSettings = {
  below: { on: true, ...threshold },
  fallen: { on: true, points: 6, days: 14 },
  'letter-step': { on: true },
  slipping: { on: true, perWeek: 1.5 },
  'if-left': { on: true, ...threshold },
  'loose-end': { on: true, kinds: ['missing', 'incomplete', 'overdue', 'zero'], atOnce: 1, effect: 1 },
  deadline: { on: true, days: 3 },
  'sent-back': { on: true },
  unmarked: { on: false, days: 14 },
  'big-work': { on: false, days: 3, effect: 8 },
  comment: { on: true, subjects: ['course'] },
  unexplained: { on: true },
  late: { on: true, times: 3, days: 14 },
  pattern: { on: true },
  'days-missed': { on: true, percent: 8 },
  'term-final': { on: true },
  'report-card': { on: true },
  improved: { on: true, points: 5, days: 14 },
  settled: { on: true },
  'source-silent': { on: true, days: 3 },
  'not-looked': { on: false, days: 14 },
};

const urgent: RuleSettings = {
  ...usual,
  fallen: { on: true, points: 10, days: 14 },
  'letter-step': { on: false },
  slipping: { on: true, perWeek: 3 },
  'loose-end': { on: true, kinds: ['missing', 'overdue', 'zero'], atOnce: 1, effect: 5 },
  deadline: { on: true, days: 2 },
  comment: { on: false, subjects: [] },
  late: { on: false, times: 3, days: 14 },
  'days-missed': { on: true, percent: 10 },
};

const everything: RuleSettings = {
  ...usual,
  fallen: { on: true, points: 3, days: 14 },
  slipping: { on: true, perWeek: 1 },
  'loose-end': {
    on: true,
    kinds: ['missing', 'incomplete', 'overdue', 'zero', 'at-floor'],
    atOnce: 1,
    effect: 0,
  },
  deadline: { on: true, days: 7 },
  unmarked: { on: true, days: 10 },
  'big-work': { on: true, days: 5, effect: 4 },
  comment: { on: true, subjects: ['score', 'work', 'rubric', 'course', 'report-card'] },
  late: { on: true, times: 1, days: 7 },
  'days-missed': { on: true, percent: 5 },
  improved: { on: true, points: 3, days: 14 },
  'not-looked': { on: true, days: 7 },
};

const ready: Readonly<Record<Preset, AlertRules>> = {
  urgent: { rules: urgent, exceptions: [], capPerDay: 3 },
  usual: { rules: usual, exceptions: [], capPerDay: 5 },
  everything: { rules: everything, exceptions: [], capPerDay: 12 },
};

/** The rules of a preset. */
export const presetRules = (preset: Preset): AlertRules => ready[preset];

const sorted = (_key: string, value: unknown): unknown =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
    : value;

/** Whether two settings say the same, in whatever order their members stand. */
export const sameSettings = <T extends object>(a: T, b: T): boolean =>
  JSON.stringify(a, sorted) === JSON.stringify(b, sorted);

/** The preset that rules are, whatever their exceptions; null for rules of one's own. */
export function presetOf({ rules, capPerDay }: AlertRules): Preset | null {
  const names = ['urgent', 'usual', 'everything'] as const;
  return (
    names.find((name) => ready[name].capPerDay === capPerDay && sameSettings(ready[name].rules, rules)) ??
    null
  );
}
