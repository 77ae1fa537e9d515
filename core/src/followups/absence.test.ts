import type { AbsenceClaim, CourseRecord, ResultRecord } from '@cadro/contract';
import { caughtUp, marksAbout, registerAgrees } from '.';
import { readRegister, type CodeMeaningFrom, type ReadMark } from '../attendance';

const map: CodeMeaningFrom[] = (
  [
    ['P', 'present', false],
    ['U', 'absent', false],
    ['E', 'absent', true],
    ['T', 'activity', false],
  ] as const
).map(([code, kind, excused]) => ({ said: 'map', code, kind, excused, from: null, label: null }));
/** `19/7=U` is period 7 of the 19th. */
const register = (...marks: string[]): ReadMark[] =>
  readRegister(
    marks.map((text) => {
      const [, day = '', period = '', code = ''] = /^(\d+)\/(\w+)=(\w+)$/.exec(text) ?? [];
      return {
        means: null,
        on: `2026-10-${day}`,
        period,
        courseId: 'c',
        code,
        markedAt: null,
        by: 'school' as const,
      };
    }),
    map,
  );
const claim = (purpose: AbsenceClaim['purpose'], ...lessons: string[]): AbsenceClaim => ({
  purpose,
  itemIds: [],
  lessons: lessons.map((text) => {
    const [, day = '', period, code] = /^(\d+)(?:\/(\w+))?(?:=(\w+))?$/.exec(text) ?? [];
    return {
      means: null,
      on: `2026-10-${day}`,
      period: period ?? null,
      code: code ?? null,
      courseTitle: null,
    };
  }),
});
const today = '2026-10-21';

it('is about the lesson named, or about all of the day', () => {
  const marks = register('19/6=P', '19/7=U', '20/7=U');
  const about = (...lessons: string[]) =>
    marksAbout(claim('explain', ...lessons).lessons, marks).map(({ mark }) => `${mark.on}/${mark.period}`);
  expect(about('19/7')).toEqual(['2026-10-19/7']);
  expect(about('19')).toEqual(['2026-10-19/6', '2026-10-19/7']);
  expect(about('19/6', '20/7')).toEqual(['2026-10-19/6', '2026-10-20/7']);
});

it.each<[string, AbsenceClaim, string[], boolean]>([
  ['explained, and down as explained', claim('explain', '19/7'), ['19/7=E'], true],
  ['explained, and there after all', claim('explain', '19/7'), ['19/7=P'], true],
  ['explained, and nothing has changed', claim('explain', '19/7'), ['19/7=U'], false],
  ['two explained, and one is', claim('explain', '19/7', '20/7'), ['19/7=E', '20/7=U'], false],
  ['explained, and the mark is gone', claim('explain', '19/7'), ['20/7=E'], false],
  ['explained, and marked by a code nobody knows', claim('explain', '19/7'), ['19/7=X'], false],
  ['a day explained, every lesson of it', claim('explain', '19'), ['19/6=E', '19/7=E'], true],
  ['a day explained, all but one', claim('explain', '19'), ['19/6=E', '19/7=U'], false],
  ['told ahead, and down with a reason', claim('ahead', '21'), ['21/1=E', '21/2=E'], true],
  ['told ahead, and down without one', claim('ahead', '21'), ['21/1=U'], false],
  ['told ahead, and the day is still to come', claim('ahead', '22'), ['22/1=E'], false],
  ['told ahead, and not marked yet', claim('ahead', '21'), [], false],
  ['objected to, and put right', claim('object', '19/7=U'), ['19/7=P'], true],
  ['objected to, and explained instead', claim('object', '19/7=U'), ['19/7=E'], true],
  ['objected to, and left as it was', claim('object', '19/7=U'), ['19/7=U'], false],
  ['two told ahead, and one is marked', claim('ahead', '21/1', '21/2'), ['21/1=E'], false],
  ['two told ahead, one for tomorrow', claim('ahead', '21/1', '22/1'), ['21/1=E', '22/1=E'], false],
  ['two told ahead, one down without a reason', claim('ahead', '21/1', '21/2'), ['21/1=E', '21/2=U'], false],
  ['told ahead, and there after all', claim('ahead', '21/1', '21/2'), ['21/1=E', '21/2=P'], true],
  ['two objected to, and one put right', claim('object', '19/6=U', '19/7=U'), ['19/6=P', '19/7=U'], false],
  ['two objected to, and both put right', claim('object', '19/6=U', '19/7=U'), ['19/6=P', '19/7=T'], true],
  ['objected to, and marked by a code nobody knows', claim('object', '19/7=U'), ['19/7=X'], false],
  ['objected to, and the mark is gone', claim('object', '19/7=U'), ['19/6=P'], false],
  ['two explained, one of them not marked', claim('explain', '19/7', '20/7'), ['19/7=E'], false],
  ['to be caught up on, which no register says', claim('catch-up', '19'), ['19/7=P'], false],
])('%s', (_name, asked, marks, agrees) =>
  expect(registerAgrees(asked, register(...marks), today)).toBe(agrees),
);

describe('caught up', () => {
  const item = (id: string) => ({ id, categoryId: 'c', possible: 20, dueAt: '2026-10-10T12:00:00Z' });
  const record = (courseId: string, results: ResultRecord[]): CourseRecord => ({
    ...{ id: courseId, asOf: '2026-10-21T18:00:00Z', categories: [{ id: 'c', weight: 1 }] },
    policy: { method: 'points', termEnd: '2026-11-06T23:59:00Z' },
    items: [item(`${courseId}-a`), item(`${courseId}-b`)],
    results,
  });
  const result = (itemId: string, status: ResultRecord['status'], earned?: number): ResultRecord => ({
    ...{ itemId, at: '2026-10-12T12:00:00Z', status },
    ...(earned === undefined ? {} : { earned }),
  });
  it.each<[string, ResultRecord[], string[], boolean]>([
    ['a work that is scored', [result('k-a', 'scored', 17)], ['k-a'], true],
    ['one handed in', [result('k-a', 'handed-in')], ['k-a'], true],
    ['one excused', [result('k-a', 'excused')], ['k-a'], true],
    ['one scored with nothing', [result('k-a', 'scored', 0)], ['k-a'], false],
    ['one that is missing', [result('k-a', 'missing')], ['k-a'], false],
    ['one of two', [result('k-a', 'scored', 17)], ['k-a', 'k-b'], false],
    ['both of two', [result('k-a', 'scored', 17), result('k-b', 'excused')], ['k-a', 'k-b'], true],
    ['two of two courses, one of them open', [result('k-a', 'scored', 17)], ['k-a', 'j-a'], false],
    ['no work at all', [result('k-a', 'scored', 17)], [], false],
    ['a work nobody knows', [result('k-a', 'scored', 17)], ['x'], false],
  ])('%s', (_name, results, ids, is) =>
    expect(caughtUp([record('k', results), record('j', [])], ids)).toBe(is),
  );
});
