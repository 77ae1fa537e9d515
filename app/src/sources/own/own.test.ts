import type { TableRow } from '@cadro/core/tables';
import { groupsOf, likelyCourse } from './groups';
import { exampleOf } from './example';
import { rowOf, rowOfTable, typedOf, wrongIn, type Typed } from './rows';

const said: TableRow = {
  ...{ row: 2, title: 'Tide log', dueOn: null, category: null, course: null, student: null },
  ...{ earned: 8, possible: 10, percent: null, letter: null, status: 'scored', comment: null },
};
const wren = { givenName: 'Wren', familyName: 'Aldervane' };

describe('rows by course and child', () => {
  it('go course by course', () => {
    const { groups } = groupsOf([said, { ...said, course: 'Art' }, { ...said, course: 'Art' }], wren);
    expect(groups.map(({ course, rows }) => [course, rows.length])).toEqual([
      [null, 1],
      ['Art', 2],
    ]);
  });
  it('leave out those of other children', () => {
    const rows = ['Wren Aldervane', 'Odo Wrack', 'Aldervane, Wren'].map((student) => ({ ...said, student }));
    const { groups, others } = groupsOf(rows, wren);
    expect([groups[0]?.rows.length, others]).toEqual([2, 1]);
  });
  it('are the child’s, where one other name stands on all of them', () => {
    expect(groupsOf([{ ...said, student: 'W.' }], wren).others).toBe(0);
  });
  it('are nobody’s here, where several names stand on them and none is the child’s', () => {
    const rows = ['Odo', 'Una'].map((student) => ({ ...said, student }));
    expect(groupsOf(rows, wren)).toEqual({ groups: [], others: 2 });
  });
});

it.each([
  ['mathematics', 'm'],
  ['Math', 'm'],
  ['Art', null],
  [null, null],
])('a table’s %s is most likely course %s', (name, id) => {
  const courses = [
    { id: 'm', title: 'Mathematics' },
    { id: 's', title: 'Ship’s Spanish' },
  ];
  expect(likelyCourse(name, courses)).toBe(id);
});

describe('a form', () => {
  const typed: Typed = {
    ...{
      title: 'Quiz',
      dueOn: null,
      category: '',
      status: 'scored',
      earned: '8,5',
      possible: '10',
      comment: ' ',
    },
  };
  it('says a row', () => {
    expect(rowOf('x', typed)).toMatchObject({
      itemId: 'x',
      earned: 8.5,
      possible: 10,
      comment: null,
      category: null,
    });
  });
  it.each<[Partial<Typed>, ReturnType<typeof wrongIn>]>([
    [{}, null],
    [{ title: ' ' }, 'title'],
    [{ earned: 'ten' }, 'number'],
    [{ possible: '-1' }, 'number'],
    [{ earned: '' }, 'score'],
    [{ earned: '', status: 'missing' }, null],
  ])('with %j is wrong in %s', (change, wrong) => {
    expect(wrongIn({ ...typed, ...change })).toBe(wrong);
  });
  it('forgets the score of what is not graded', () => {
    expect(rowOf(null, { ...typed, status: 'missing' }).earned).toBeNull();
  });
  it('begins as it was', () => {
    const { row: _row, course: _course, student: _student, ...item } = said;
    expect(rowOf('x', typedOf({ id: 'x', ...item }))).toEqual({ ...rowOfTable(said), itemId: 'x' });
  });
});

it.each([
  ['together', 'zero', 'letters', 72.5],
  ['together', 'half', 'hundred', 78.75],
  ['together', 'not', 'ten', 8.285_714_285_7],
  ['weighted', 'zero', 'four', 2.88],
] as const)('the example of %s, %s, %s stands at %d', (adds, missing, scale, posted) => {
  expect(exampleOf({ adds, missing, scale }).posted).toBeCloseTo(posted, 9);
});
