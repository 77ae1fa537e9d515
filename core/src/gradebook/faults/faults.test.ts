import type { AttendanceRecord, CourseRecord } from '@cadro/contract';
import fc from 'fast-check';
import { attendanceFault } from '../../attendance';
import { anyCourse, course, item, scored } from '../../testing/courses';
import { courseFault } from './faults';

describe('a course’s record', () => {
  it.each<[string, Partial<CourseRecord>, string | null]>([
    ['is sound', { items: [item('a')], results: [scored('a', 1)] }, null],
    ['names a category twice', { categories: [{ id: 'c' }, { id: 'c' }] }, '/categories/1/id'],
    ['names a standard twice', { standards: [{ id: 's' }, { id: 't' }, { id: 's' }] }, '/standards/2/id'],
    ['names a work twice', { items: [item('a'), item('b'), item('a')] }, '/items/2/id'],
    [
      'puts a work where there is no category',
      { items: [item('a'), item('b', { categoryId: 'x' })] },
      '/items/1/categoryId',
    ],
    [
      'has a result of no work',
      { items: [item('a')], results: [scored('a', 1), scored('b', 1)] },
      '/results/1/itemId',
    ],
    [
      'has a result of no work in its future',
      { results: [scored('b', 1, '2027-01-01T00:00:00Z')] },
      '/results/0/itemId',
    ],
    [
      'may name a category as a work, and every object’s members',
      {
        categories: [{ id: 'constructor' }],
        items: [
          item('constructor', { categoryId: 'constructor' }),
          item('__proto__', { categoryId: 'constructor' }),
        ],
        results: [scored('__proto__', 1)],
      },
      null,
    ],
  ])('%s', (_name, more, path) => {
    expect(courseFault(course(more))?.path ?? null).toBe(path);
  });

  it('is sound however it is made here', () => {
    fc.assert(fc.property(anyCourse, (record) => expect(courseFault(record)).toBeNull()));
  });
});

describe('an attendance record', () => {
  const codes: AttendanceRecord['codes'] = { P: { kind: 'present' } };
  const day = (date: string, code = 'P') => ({ date, periods: [{ period: '1', code }] });
  it.each<[string, AttendanceRecord['days'], string | null]>([
    ['is sound', [day('2026-10-19'), day('2026-10-20')], null],
    ['lists a date twice', [day('2026-10-19'), day('2026-10-20'), day('2026-10-19')], '/days/2/date'],
    ['has a code of no meaning', [day('2026-10-19'), day('2026-10-20', 'Q')], '/days/1/periods/0/code'],
    [
      'takes no property of every object for a code',
      [day('2026-10-19', 'toString')],
      '/days/0/periods/0/code',
    ],
  ])('%s', (_name, days, path) => {
    expect(attendanceFault({ asOf: '2026-10-21', codes, days })?.path ?? null).toBe(path);
  });
});
