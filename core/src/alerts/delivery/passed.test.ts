import type { AlertReason } from '@cadro/contract';
import { hasPassed } from './passed';

const friday = '2026-11-07T03:59:00Z';
const work = (rule: string, days: object): AlertReason => ({
  ...{ id: rule, rule, at: '2026-11-01T19:40:00Z', sourceName: 'Millrace', about: 'work' },
  work: {
    ...{ itemId: 'i', title: 'Keel model', kind: 'missing', was: null, dueAt: null, deadline: null },
    ...{ credit: null, impact: null, earned: null, possible: 10, status: null, ...days },
  } as Extract<AlertReason, { about: 'work' }>['work'],
  ...{ outOf: 100, decimals: 1 },
});

it.each([
  ['a last day that is to come', work('deadline', { deadline: friday }), '2026-11-06T12:00:00Z', false],
  ['a last day that is over', work('deadline', { deadline: friday }), '2026-11-08T12:00:00Z', true],
  ['a test that was written', work('big-work', { dueAt: friday }), '2026-11-08T12:00:00Z', true],
  ['a test to come', work('big-work', { dueAt: friday }), '2026-11-06T12:00:00Z', false],
  // What is missing is missing, whenever it was due.
  ['a loose end', work('loose-end', { dueAt: friday, deadline: friday }), '2026-11-08T12:00:00Z', false],
  ['a last day that is not known', work('deadline', {}), '2026-11-08T12:00:00Z', false],
])('%s', (_name, reason, at, passed) => expect(hasPassed(reason, Date.parse(at))).toBe(passed));
