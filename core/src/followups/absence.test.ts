import type { AbsenceClaim } from '@cadro/contract';
import { marksAbout, registerAgrees } from '.';
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
  expect(marksAbout(claim('explain', '19/7').lessons, marks)).toHaveLength(1);
  expect(marksAbout(claim('explain', '19').lessons, marks)).toHaveLength(2);
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
  ['to be caught up on, which no register says', claim('catch-up', '19'), ['19/7=P'], false],
])('%s', (_name, asked, marks, agrees) =>
  expect(registerAgrees(asked, register(...marks), today)).toBe(agrees),
);
