import { KeptRules } from '@cadro/contract';
import { misfits } from '@cadro/contract/parse';
import { alertRules, alertRulesSchema, presetRules, readRules, type RuleName } from '..';

/* What a setting may be at least and at most, written down by hand, with the nearest that it may not be. */
const on = { on: true };
const threshold = { on: true, percent: 70, level: 2.5, letter: null };
const fitting: Readonly<Record<RuleName, object>> = {
  below: threshold,
  fallen: { on: true, points: 6, days: 14 },
  'letter-step': on,
  slipping: { on: true, perWeek: 1.5 },
  'if-left': threshold,
  'loose-end': { on: true, kinds: ['missing'], atOnce: 1, effect: 1 },
  deadline: { on: true, days: 3 },
  'sent-back': on,
  unmarked: { on: true, days: 14 },
  'big-work': { on: true, days: 3, effect: 8 },
  comment: { on: true, subjects: ['course'] },
  unexplained: on,
  late: { on: true, times: 3, days: 14 },
  pattern: on,
  'days-missed': { on: true, percent: 8 },
  'term-final': on,
  'report-card': on,
  'answer-due': { on: true, days: 2 },
  announced: on,
  helpers: on,
  'fee-due': { on: true, days: 2 },
  'balance-low': { on: true, below: 10 },
  improved: { on: true, points: 5, days: 14 },
  settled: on,
  scored: { on: true, below: 70 },
  'source-silent': { on: true, days: 3 },
  'not-looked': { on: true, days: 14 },
};
const rulesWith = (name: RuleName, change: object) => ({
  rules: { ...fitting, [name]: { ...fitting[name], ...change } },
  exceptions: [],
  capPerDay: 5,
});
/** As they are sent, and by what each rule says of itself. */
const fits = (value: unknown): boolean =>
  [KeptRules, alertRulesSchema].every((schema) => misfits(schema, value).length === 0);

/** Rule, member, too little, least, most, too much. */
const limits: readonly (readonly [RuleName, string, number, number, number, number])[] = [
  ...(['below', 'if-left'] as const).flatMap((name) => [
    [name, 'percent', 0.9, 1, 100, 100.1] as const,
    [name, 'level', 0.09, 0.1, 10, 10.1] as const,
  ]),
  ...(['fallen', 'improved'] as const).flatMap((name) => [
    [name, 'points', 0.4, 0.5, 100, 100.1] as const,
    [name, 'days', 0, 1, 60, 61] as const,
  ]),
  ['slipping', 'perWeek', 0.9, 1, 20, 20.1],
  ['scored', 'below', 0.9, 1, 100, 100.1],
  ['loose-end', 'atOnce', 0, 1, 20, 21],
  ['loose-end', 'effect', -0.1, 0, 100, 100.1],
  ['deadline', 'days', 0, 1, 60, 61],
  ['unmarked', 'days', 0, 1, 60, 61],
  ['source-silent', 'days', 0, 1, 60, 61],
  ['not-looked', 'days', 0, 1, 60, 61],
  ['big-work', 'days', 0, 1, 30, 31],
  ['big-work', 'effect', -0.1, 0, 100, 100.1],
  ['late', 'times', 0, 1, 50, 51],
  ['late', 'days', 0, 1, 120, 121],
  ['days-missed', 'percent', 0.9, 1, 100, 100.1],
  ['fee-due', 'days', 0, 1, 14, 15],
  ['balance-low', 'below', -0.1, 0, 500, 500.1],
];

describe('the limits of the rules', () => {
  it.each(limits)('%s: %s is %d < %d … %d < %d', (name, member, tooLittle, least, most, tooMuch) => {
    const tried = [tooLittle, least, most, tooMuch].map((value) =>
      fits(rulesWith(name, { [member]: value })),
    );
    expect(tried).toEqual([false, true, true, false]);
    // An exception is held to the same.
    const exception = (value: number) => ({
      ...rulesWith(name, {}),
      exceptions: [
        {
          studentId: '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6',
          courseId: null,
          rules: { [name]: { [member]: value } },
        },
      ],
    });
    const ofAll = name === 'source-silent' || name === 'not-looked';
    expect([tooLittle, least, most, tooMuch].map((value) => fits(exception(value)))).toEqual(
      ofAll ? [false, false, false, false] : [false, true, true, false],
    );
  });

  it.each(alertRules.map(({ name }) => name))(
    '%s knows no member it does not have, and needs those it has',
    (name) => {
      expect(fits(rulesWith(name, {}))).toBe(true);
      expect(fits(rulesWith(name, { other: 1 }))).toBe(false);
      expect(fits(rulesWith(name, { on: 'yes' }))).toBe(false);
      for (const member of Object.keys(fitting[name])) {
        expect(fits(rulesWith(name, { [member]: undefined }))).toBe(false);
      }
    },
  );

  it.each([
    ['loose-end', { kinds: [] }, true],
    ['loose-end', { kinds: ['missing', 'missing'] }, false],
    ['loose-end', { kinds: ['lost'] }, false],
    ['loose-end', { atOnce: 1.5 }, false],
    ['comment', { subjects: [] }, true],
    ['comment', { subjects: ['work', 'work'] }, false],
    ['comment', { subjects: ['sports'] }, false],
    ['below', { letter: 'B' }, true],
    ['below', { letter: '' }, false],
    ['below', { letter: 'A far too long one' }, false],
    ['deadline', { days: 2.5 }, false],
  ] as const)('%s with %j: %s', (name, change, is) => expect(fits(rulesWith(name, change))).toBe(is));

  it.each([
    [0, false],
    [1, true],
    [50, true],
    [51, false],
    [2.5, false],
  ])('%d a day: %s', (capPerDay, is) => expect(fits({ ...rulesWith('below', {}), capPerDay })).toBe(is));

  it('has room for sixty exceptions', () => {
    const exception = { studentId: '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6', courseId: null, rules: {} };
    const many = (length: number) => ({
      ...rulesWith('below', {}),
      exceptions: Array(length).fill(exception),
    });
    expect([fits(many(60)), fits(many(61))]).toEqual([true, false]);
  });
});

describe('rules as they were kept', () => {
  const { rules } = presetRules('everything');
  it('are as they were', () => {
    const kept = { ...presetRules('everything'), exceptions: [], capPerDay: 4 };
    expect(readRules(kept)).toEqual(kept);
  });
  it('take a rule that did not exist then as usual, and forget one that is no more', () => {
    const { pattern, ...others } = rules;
    const ofBoats = { studentId: 's', courseId: 'boats' };
    const read = readRules({
      rules: { ...others, 'tide-table': { on: true } },
      exceptions: [{ ...ofBoats, rules: { below: { percent: 90 }, 'tide-table': { on: true } } }],
      capPerDay: 4,
    });
    expect(read.rules).toEqual({ ...rules, pattern: presetRules('usual').rules.pattern });
    expect(pattern).toEqual({ on: true });
    expect(read.exceptions).toEqual([{ ...ofBoats, rules: { below: { percent: 90 } } }]);
  });
  it('take what a rule has got since as usual', () => {
    const read = readRules({ rules: { ...rules, fallen: { on: false } }, exceptions: [], capPerDay: 4 });
    expect(read.rules.fallen).toEqual({ on: false, points: 6, days: 14 });
  });
});
