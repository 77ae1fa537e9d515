import { languages, type AlertReason, type AlertSubject } from '@cadro/contract';
import fc from 'fast-check';
import { evening, anyHistory, historyOf, item, score } from '../../testing/histories';
import { factsAt, presetRules, signalsOf, tellAlert, upkeepSignals, type RuleName, type Signal } from '..';

const told = (signal: Signal, language: 'en' | 'es' = 'en') =>
  tellAlert(language, { ...signal, reasons: [signal.reason] }, { timeZone: 'UTC' }).reasons[0]?.rule;

const slide = (outOf: number) =>
  historyOf({
    outOf,
    items: [1, 2, 3, 4, 5, 6].map((day) => item(`w${day}`, day)),
    results: [1, 2, 3, 4, 5, 6].map((day) => score(`w${day}`, day, day < 5 ? 20 : 2)),
  });
const ruleOf = (name: RuleName, outOf: number, changes: object = {}) => {
  const rules = presetRules('usual');
  const set = { ...rules, rules: { ...rules.rules, [name]: { ...rules.rules[name], ...changes } } };
  const found = signalsOf(factsAt(slide(outOf), evening(6)), set, []).find(
    ({ reason }) => reason.rule === name,
  );
  return found && told(found);
};

it('an alert says what its rule was set to, on the scale of its course', () => {
  expect(ruleOf('fallen', 100)).toBe('Cadro tells you when a grade falls by 6 points within 14 days.');
  expect(ruleOf('fallen', 100, { points: 7.5, days: 10 })).toBe(
    'Cadro tells you when a grade falls by 7.5 points within 10 days.',
  );
  expect(ruleOf('fallen', 4)).toBe('Cadro tells you when a grade falls by 0.24 of 4 within 14 days.');
});

it('and as set for its child or course where there is an exception', () => {
  const { rules, ...rest } = presetRules('usual');
  const exceptions = [
    { studentId: 'child', courseId: 'kelp', rules: { fallen: { on: true, points: 9, days: 14 } } },
  ];
  const found = signalsOf(factsAt(slide(100), evening(6)), { ...rest, rules, exceptions }, []);
  expect(found.filter(({ reason }) => reason.rule === 'fallen').map((signal) => told(signal))).toEqual([
    'Cadro tells you when a grade falls by 9 points within 14 days.',
  ]);
});

it('a silent source is told with its days', () => {
  const facts = {
    ...{ guardianId: 'g', asOfMs: evening(9), lookedAt: null },
    sources: [{ id: 's', name: 'Millrace', readAt: new Date(evening(1)).toISOString() }],
  };
  expect(upkeepSignals(facts, presetRules('usual').rules).map((signal) => told(signal))).toEqual([
    'Cadro tells you when a source sends no records for 3 days.',
  ]);
});

it('one that was kept without numbers still says which rule it was', () => {
  const [found] = signalsOf(factsAt(slide(100), evening(6)), presetRules('usual'), []).filter(
    ({ reason }) => reason.rule === 'fallen',
  );
  if (!found) throw new Error('nothing fell');
  const { asked, ...reason } = found.reason;
  expect(asked).toBeDefined();
  expect(told({ ...(found as AlertSubject), reason: reason as AlertReason })).toBe(
    'Cadro tells you when a grade falls a lot in a few days.',
  );
});

it.each(languages)('every rule that finds something says so whole, in %s', (language) => {
  fc.assert(
    fc.property(anyHistory, fc.integer({ min: 1, max: 40 }), (history, day) => {
      for (const signal of signalsOf(factsAt(history, evening(day)), presetRules('everything'), [])) {
        expect(told(signal, language)).toMatch(/^[^{}]{12,}\.$/);
        expect(told(signal, language)).not.toMatch(/undefined|null|NaN/);
      }
    }),
    { numRuns: 40 },
  );
});

it('what is near by the clock has its day of the source: when it was given out, since when it stands so', () => {
  const near = signalsOf(factsAt(slide(100), evening(0)), presetRules('everything'), []).filter(
    ({ reason }) => reason.rule === 'big-work',
  );
  const [first] = near;
  if (!first) throw new Error('nothing is near');
  const { reasons } = tellAlert('en', { ...first, reasons: [first.reason] }, { timeZone: 'UTC' });
  expect(reasons[0]?.source).toBe('Gannet Head, Thu, Sep 3');
});

it('one point and one day are one', () => {
  const one = { points: 1, days: 1 };
  expect(ruleOf('fallen', 100, one)).toBe('Cadro tells you when a grade falls by 1 point within 1 day.');
});
