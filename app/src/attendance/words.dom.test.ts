import type { AttendancePattern, AttendanceTotals, DayMark } from '@cadro/contract';
import { i18next, makeFormat } from '../i18n';
import { dayWords, needsYou } from './markWords';
import { patternWords, touchedWords } from './Patterns';
import { shareWords, totalsWords } from './totals';
import { startTexts } from '../testing/texts';

startTexts('en');
const { t } = i18next;
const format = makeFormat('en', 'America/Halifax', '2026-10-21T19:40:00Z');
const mark = (kind: DayMark['kind'], more: Partial<DayMark> = {}): DayMark => ({
  ...{ period: '1', courseId: 'c', courseTitle: 'Tide tables', code: 'X', kind, excused: false, label: null },
  ...{ by: 'school', note: null, markedBy: null, instead: [] },
  ...more,
});

describe('a day in a line', () => {
  it.each<[string, DayMark[]]>([
    ['present all day', [mark('present'), mark('present', { period: '2' })]],
    ['No school', [mark('closed')]],
    [
      'absent, explained',
      [mark('absent', { excused: true }), mark('absent', { excused: true, period: '2' })],
    ],
    ['Tide tables: absent, no reason given', [mark('absent'), mark('present', { period: '2' })]],
    [
      'Tide tables: came in late, period 2: on a trip',
      [mark('tardy'), mark('activity', { period: '2', courseTitle: null }), mark('present', { period: '3' })],
    ],
    ['Tide tables: coded “X”, not explained yet', [mark(null), mark('present', { period: '2' })]],
  ])('%s', (words, marks) => expect(dayWords(t, marks)).toBe(words));
  it.each([
    [mark('absent'), true],
    [mark('absent', { excused: true }), false],
    [mark(null), true],
    [mark('tardy'), false],
  ])('%# asks for someone or not', (one, asks) => expect(needsYou(one)).toBe(asks));
});

describe('totals with their units', () => {
  const totals = (more: Partial<AttendanceTotals>): AttendanceTotals => ({
    ...{ from: '2026-09-07', to: '2027-06-25', schoolDays: 32, daysAbsent: 0, lessonsAbsent: 0 },
    ...{ lessonsExplained: 0, lessonsUnexplained: 0, lateArrivals: 0 },
    ...more,
  });
  it.each<[string, Partial<AttendanceTotals>, 'lessons' | 'days']>([
    ['no school days yet', { schoolDays: 0 }, 'lessons'],
    ['present on all 32 school days', {}, 'lessons'],
    ['present on all 32 school days · late 2 times', { lateArrivals: 2 }, 'lessons'],
    [
      'absent 1 of 32 school days · 10 classes missed, 3 without a reason · late 1 time',
      { daysAbsent: 1, lessonsAbsent: 10, lessonsUnexplained: 3, lateArrivals: 1 },
      'lessons',
    ],
    ['absent 1 of 32 school days · all with a reason', { daysAbsent: 1, lessonsAbsent: 1 }, 'days'],
  ])('%s', (words, more, markedBy) => expect(totalsWords(t, totals(more), markedBy)).toBe(words));

  const share = (rate: number | null, reached: boolean, moreDays: number | null, daysAbsent: number) =>
    shareWords(t, { share: { rate, reached, moreDays }, year: totals({ daysAbsent }) });
  it.each([
    ['Missed 4 of 32 school days: more than 1 day in 10.', share(0.125, true, 0, 4)],
    ['Missed 4 of 32 school days: 1 day in 10.', share(0.1, true, 0, 4)],
    ['One more missed day would bring absences to 1 day in 10.', share(0.09, false, 1, 3)],
    ['3 more missed days would bring absences to 1 day in 10.', share(0.03, false, 3, 1)],
    [null, share(0.01, false, 6, 1)],
    [null, share(0, false, 4, 0)],
  ])('%p', (words, said) => expect(said).toBe(words));
});

describe('a pattern in a sentence', () => {
  const pattern = (
    kind: AttendancePattern['kind'],
    more: Partial<AttendancePattern> = {},
  ): AttendancePattern => ({
    ...{ kind, value: null, dates: ['2026-10-19', '2026-10-20'], touched: [] },
    lessons: [{ courseId: 'c', courseTitle: 'Rowing geometry', missed: 2, teacher: null }],
    ...more,
  });
  it.each([
    ['Left before last period on Oct 19 and 20. Each time it was Rowing geometry.', pattern('leaves-early')],
    ['Left before last period on Oct 19 and 20.', pattern('leaves-early', { lessons: [] })],
    ['Missed period 7 on Oct 19 and 20: Rowing geometry.', pattern('period', { value: '7' })],
    [
      'Absent on Thursdays: Oct 1 and 15.',
      pattern('weekday', { value: 4, dates: ['2026-10-01', '2026-10-15'] }),
    ],
  ])('%s', (words, one) => expect(patternWords(t, format, one)).toBe(words));

  const work = (title: string, open: boolean) => ({
    itemId: title,
    courseId: 'c',
    courseTitle: 'x',
    title,
    open,
  });
  it.each([
    ['No assignments were given or due in those classes.', []],
    ['1 assignment was given or due in those classes, and it’s turned in.', [work('Quiz', false)]],
    [
      '2 assignments were given or due in those classes. Still open: Quiz.',
      [work('Quiz', true), work('Card', false)],
    ],
    [
      '2 assignments were given or due in those classes. Still open: Quiz and Card.',
      [work('Quiz', true), work('Card', true)],
    ],
  ])('%s', (words, touched) =>
    expect(touchedWords(t, format, pattern('leaves-early', { touched }))).toBe(words),
  );
});
