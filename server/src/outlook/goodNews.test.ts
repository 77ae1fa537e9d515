import type { ResultChange } from '../records';
import { goodNewsOf } from './goodNews';

const change = (more: Partial<ResultChange>): ResultChange => ({
  student_id: 'isolde',
  course_id: 'kelp',
  course_title: 'Kelp chemistry',
  policy: { method: 'points', termEnd: '2026-11-07T03:59:00Z' },
  item_id: 'w',
  title: 'Titration',
  possible: 20,
  counts: true,
  extra_credit: false,
  due_at: new Date('2026-10-12T12:00:00Z'),
  kind: 'homework',
  in_class: null,
  at: new Date('2026-10-18T18:00:00Z'),
  before: null,
  after: { status: 'scored', earned: 17 },
  ...more,
});

it.each<[string, Partial<ResultChange>, (string | null)[]]>([
  ['homework that was past its day', {}, ['overdue']],
  ['a test that was scored some days after it was taken', { kind: 'test' }, []],
  ['work that its school says is done in class', { in_class: true }, []],
  ['what was missing', { before: { status: 'missing', earned: null } }, ['missing']],
  ['a second zero', { after: { status: 'scored', earned: 0 } }, []],
])('%s', (_name, more, was) => {
  expect(goodNewsOf([change(more)]).map((news) => news.was)).toEqual(was);
});

it('is one for a work, the newest', () => {
  const older = change({ at: new Date('2026-10-17T18:00:00Z'), after: { status: 'scored', earned: 12 } });
  expect(goodNewsOf([change({}), older]).map(({ now }) => now.earned)).toEqual([17]);
});
