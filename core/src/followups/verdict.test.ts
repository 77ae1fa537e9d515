import type { CourseRecord, ResultRecord } from '@cadro/contract';
import { normaliseCourse } from '../gradebook';
import { tiedUp } from '../outlook';
import { followUpVerdict } from './verdict';

const course = (results: ResultRecord[]): CourseRecord => ({
  id: 'k',
  asOf: '2026-10-23T18:00:00Z',
  policy: { method: 'points', termEnd: '2026-11-06T23:59:00Z' },
  categories: [{ id: 'c' }],
  items: [{ id: 'a', categoryId: 'c', possible: 20, dueAt: '2026-10-12T12:00:00Z' }],
  results,
});
const result = (more: Partial<ResultRecord>): ResultRecord => ({
  itemId: 'a',
  at: '2026-10-23T10:00:00Z',
  status: 'scored',
  ...more,
});

describe('did it work?', () => {
  it.each([
    ['nothing yet', [], null, 'overdue'],
    ['handed in and waiting', [result({ status: 'handed-in' })], null, null],
    [
      'marked',
      [result({ earned: 17 })],
      { by: 'record', was: 'overdue', status: 'scored', earned: 17, possible: 20 },
      null,
    ],
    ['a zero', [result({ earned: 0 })], null, 'zero'],
    [
      'excused',
      [result({ status: 'excused' })],
      { by: 'record', was: 'overdue', status: 'excused', earned: null, possible: 20 },
      null,
    ],
    ['scored without a score', [result({})], null, null],
    ['only later', [result({ earned: 17, at: '2026-10-24T10:00:00Z' })], null, 'overdue'],
  ] as const)('%s', (_name, results, outcome, stillKind) => {
    expect(followUpVerdict(course([...results]), 'a', 'overdue')).toEqual({ outcome, stillKind });
  });
});

describe('good news', () => {
  const {
    items: [item],
    policy,
  } = normaliseCourse(course([]));
  const at = (instant: string) => Date.parse(instant);
  const marked = { status: 'scored', earned: 17 } as const;
  it.each([
    ['missing before', { status: 'missing', earned: null }, marked, '2026-10-13T10:00:00Z', 'missing'],
    ['overdue for days', { status: 'open', earned: null }, marked, '2026-10-19T10:00:00Z', 'overdue'],
    [
      'a mark that travelled for a day',
      { status: 'open', earned: null },
      marked,
      '2026-10-13T10:00:00Z',
      null,
    ],
    ['an ordinary mark', { status: 'handed-in', earned: null }, marked, '2026-10-19T10:00:00Z', null],
    [
      'a zero',
      { status: 'missing', earned: null },
      { status: 'scored', earned: 0 },
      '2026-10-19T10:00:00Z',
      null,
    ],
  ] as const)('%s', (_name, before, after, when, expected) => {
    if (!item) throw new Error('the course has an item');
    expect(tiedUp(item, policy, before, after, at(when))).toBe(expected);
  });
});
