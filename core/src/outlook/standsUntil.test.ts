import type { CourseRecord } from '@cadro/contract';
import fc from 'fast-check';
import { anyCourse, at, course, item, scored } from '../testing/courses';
import { courseAnswer } from './courseAnswer';
import { standsUntilMs } from './standsUntil';
import { runs } from '../testing/runs';

const asOf = at(20);
const until = (record: CourseRecord): string => {
  const ms = standsUntilMs({ ...record, asOf });
  return ms === Infinity ? 'for good' : new Date(ms).toISOString();
};
const just = (day: number, hour = 12): string => new Date(Date.parse(at(day, hour)) + 1).toISOString();
const exactly = (day: number): string => new Date(at(day)).toISOString();
const work = (more: Parameters<typeof item>[1], policy: Parameters<typeof course>[1] = {}) =>
  course(
    { items: [item('a', { assignedAt: at(1), dueAt: at(10), acceptedUntil: at(15), ...more })] },
    policy,
  );
const perDay = { late: { kind: 'perDay' as const, lose: 0.1, least: 0.3 } };

it.each([
  ['a work is due', work({ dueAt: at(24) }), just(24)],
  ['a work is given out', work({ assignedAt: at(22), dueAt: at(30) }), exactly(22)],
  ['nothing is taken any more', work({ acceptedUntil: at(26) }), just(26)],
  ['an offer ends', work({ offer: { until: at(23), credit: 0.8 } }), just(23)],
  ['work done in class waits too long', work({ inClass: true, dueAt: at(12, 6) }), just(22, 6)],
  [
    'what was handed in waits too long',
    { ...work({}), results: [{ itemId: 'a', at: at(13), status: 'handed-in' as const }] },
    just(23),
  ],
  ['another day late costs more', work({ dueAt: at(18, 8), acceptedUntil: at(30) }, perDay), just(21, 8)],
  [
    'it is too late for another day to cost more',
    work({ dueAt: at(18, 8), acceptedUntil: at(19) }, perDay),
    null,
  ],
  ['a result comes to be known', { ...work({}), results: [scored('a', 12, at(25))] }, exactly(25)],
  ['the term ends', work({}), null],
])('stands until %s', (_, record, instant) => {
  expect(until(record)).toBe(instant ?? new Date(Date.parse(record.policy.termEnd) + 1).toISOString());
});

it('stands for good when the term is over', () => {
  expect(until(work({}, { termEnd: at(12) }))).toBe('for good');
});

const late = fc.constantFrom(
  { kind: 'none' as const },
  { kind: 'flat' as const, credit: 0.6 },
  { kind: 'perDay' as const, lose: 0.1, least: 0.3 },
);
const turned = fc
  .tuple(anyCourse, late, fc.integer({ min: 0, max: 70 * 24 }), fc.double({ min: 0, max: 1, noNaN: true }))
  .map(([record, rule, hours, share]) => ({
    share,
    record: {
      ...record,
      asOf: new Date(Date.parse(at(1)) + hours * 3_600_000).toISOString(),
      policy: { ...record.policy, late: rule },
      items: (record.items ?? []).map((each, index) => ({
        ...each,
        inClass: index % 4 === 3,
        offer: index % 3 === 2 ? { until: at(40 + index), credit: 0.9 } : null,
      })),
    },
  }));

it('says nothing else before, but for the trend', () => {
  fc.assert(
    fc.property(turned, ({ record, share }) => {
      const fromMs = Date.parse(record.asOf);
      const untilMs = Math.min(standsUntilMs(record), fromMs + 30 * 86_400_000);
      const later = new Date(fromMs + Math.floor((untilMs - 1 - fromMs) * share)).toISOString();
      const { trend: now, ...said } = courseAnswer(record);
      const { trend: then, ...saidLater } = courseAnswer({ ...record, asOf: later });
      expect(saidLater).toEqual(said);
    }),
    { numRuns: runs(400) },
  );
});
