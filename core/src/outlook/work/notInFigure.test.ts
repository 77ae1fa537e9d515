import type { CourseDetail, ItemSummary } from '@cadro/contract';
import { whyNotInFigure, type NotInFigure } from '..';

type Course = Pick<CourseDetail, 'policy' | 'categories' | 'figures'>;
interface Told {
  readonly item?: object;
  readonly state?: object;
  readonly policy?: object;
  readonly category?: object;
  readonly figure?: object;
}

const scored = { status: 'scored', earned: 17 };
const why = ({ item = {}, state = scored, policy = {}, category = {}, figure = {} }: Told) =>
  whyNotInFigure(
    {
      ...{ id: 'w', categoryId: 'c', possible: 20, counts: true, extraCredit: false },
      ...{ dueAt: '2026-10-12T12:00:00Z', looseEnd: null, waitingSince: null, state },
      ...item,
    } as unknown as ItemSummary,
    {
      policy: { method: 'weighted', missingCounts: 'zero', incompleteCounts: 'not', ...policy },
      categories: [
        { id: 'other', weight: 0 },
        { id: 'c', weight: 40, ...category },
      ],
      figures: {
        categories: [
          { id: 'other', fraction: null, dropped: [] },
          { id: 'c', fraction: 0.8, dropped: [], ...figure },
        ],
      },
    } as unknown as Course,
  );

it.each<[string, Told, NotInFigure | null]>([
  ['scored', {}, null],
  ['scored without a score', { state: { status: 'scored', earned: null } }, 'unscored'],
  ['worth nothing', { item: { possible: 0 } }, 'weightless'],
  ['practice', { item: { counts: false } }, 'practice'],
  ['in a category without weight', { category: { weight: 0 } }, 'weightless'],
  [
    'in a category without weight where points count',
    { category: { weight: 0 }, policy: { method: 'points' } },
    null,
  ],
  ['dropped', { figure: { dropped: ['v', 'w'] } }, 'dropped'],
  ['beside what is dropped', { figure: { dropped: ['v'] } }, null],
  ['excused', { state: { status: 'excused' } }, 'excused'],
  ['handed in', { state: { status: 'handed-in' } }, 'waiting'],
  ['missing', { state: { status: 'missing' } }, null],
  [
    'missing where that does not count',
    { state: { status: 'missing' }, policy: { missingCounts: 'not' } },
    'missingNot',
  ],
  ['incomplete', { state: { status: 'incomplete' } }, 'incompleteNot'],
  [
    'incomplete where that counts',
    { state: { status: 'incomplete' }, policy: { incompleteCounts: 'zero' } },
    null,
  ],
  ['open and undated', { state: { status: 'open' }, item: { dueAt: null } }, 'undated'],
  ['open and overdue', { state: { status: 'open' }, item: { looseEnd: { kind: 'overdue' } } }, 'overdue'],
  ['open and to come', { state: { status: 'open' } }, 'ahead'],
  ['extra and scored', { item: { extraCredit: true } }, null],
  [
    'extra and alone in its category',
    { item: { extraCredit: true }, figure: { fraction: null } },
    'extraAlone',
  ],
  [
    'open, and was done in class',
    { item: { waitingSince: '2026-10-12T12:00:00Z' }, state: { status: 'open' } },
    'waiting',
  ],
  ['extra and open', { item: { extraCredit: true }, state: { status: 'open' } }, 'extraOpen'],
])('work that is %s', (_name, told, reason) => expect(why(told)).toBe(reason));

it('has nothing dropped and nothing beside it where there are no figures yet', () => {
  const item = { id: 'w', categoryId: 'c', possible: 20, counts: true, state: scored };
  const course = { policy: { method: 'points' }, categories: [], figures: null } as unknown as Course;
  const of = (extraCredit: boolean) =>
    whyNotInFigure({ ...item, extraCredit } as unknown as ItemSummary, course);
  expect([of(false), of(true)]).toEqual([null, 'extraAlone']);
});
