import { fireEvent, screen, within } from '@testing-library/react';
import type { AttendancePattern, AttendanceTotals, ChildDays, DayMark } from '@cadro/contract';
import { startTexts } from '../testing/texts';
import { show, signedInAs } from '../testing/show';
import { weeksOf } from '../ui';
import { MonthOfMarks } from './MonthOfMarks';
import { Patterns } from './Patterns';
import { StripKey } from './StripKey';
import { Summary } from './Summary';
import { UnknownCodes } from './marksFile/UnknownCodes';

startTexts('en');
beforeEach(async () => void (await signedInAs()));

const totals: AttendanceTotals = {
  ...{ from: '2026-09-07', to: '2027-06-25', schoolDays: 32, daysAbsent: 3, lessonsAbsent: 17 },
  ...{ lessonsExplained: 17, lessonsUnexplained: 0, lateArrivals: 2 },
};
const teacher = (id: string, contactable = true) => ({ id, name: `Teacher ${id}`, contactable });
const days = (more: Partial<ChildDays> = {}): ChildDays => ({
  ...{ studentId: 'c', today: '2026-10-21', markedBy: 'lessons', week: totals, term: null, year: totals },
  ...{ share: { rate: 3 / 32, reached: false, moreDays: 1 }, byCourse: [], patterns: [], unknownCodes: [] },
  ...{ outsideYear: [], desk: { id: 'd', name: 'Attendance desk', contactable: true }, days: [] },
  ...more,
});
const mark = (kind: DayMark['kind'], period = '1'): DayMark => ({
  ...{
    period,
    courseId: null,
    courseTitle: `Lesson ${period}`,
    code: 'X',
    kind,
    excused: false,
    label: null,
  },
  ...{ by: 'school', note: null, markedBy: null, instead: [] },
});
const pattern = (more: Partial<AttendancePattern> = {}): AttendancePattern => ({
  ...{ kind: 'leaves-early', value: null, dates: ['2026-10-19', '2026-10-20'], lessons: [], touched: [] },
  ...more,
});
const lessonOf = (...ids: string[]) =>
  ids.map((id) => ({ courseId: id, courseTitle: `Course ${id}`, missed: 1, teacher: teacher(id) }));
const hrefs = () => screen.getAllByRole('link').map((link) => link.getAttribute('href'));

describe('the summary', () => {
  it('says the share before the spans, and marks outside the year apart', () => {
    const { container } = show(<Summary days={days({ outsideYear: ['2026-08-03'] })} />);
    const text = container.textContent ?? '';
    expect(text).toContain('One more missed day would bring absences to 1 day in 10.');
    expect(text.indexOf('One more')).toBeLessThan(text.indexOf('This week'));
    expect(text).toContain(
      'This school year: absent 3 of 32 school days · 17 classes missed, all with a reason · late 2 times',
    );
    expect(text).toContain(
      'One more missed day would bring absences to 1 day in 10.This week: absent 3 of 32 school days · 17 classes missed, all with a reason · late 2 timesThis school year: absent 3 of 32 school days · 17 classes missed, all with a reason · late 2 timesEntries on Aug 3 are outside the school year. They’re kept but not counted.',
    );
  });
});

describe('patterns', () => {
  it.each<[string, AttendancePattern, string[]]>([
    ['one teacher is written to', pattern({ lessons: lessonOf('a') }), ['a']],
    ['two are, too', pattern({ lessons: lessonOf('a', 'b') }), ['a', 'b']],
    ['of three it is the desk that knows', pattern({ lessons: lessonOf('a', 'b', 'c') }), ['d']],
    ['of none as well', pattern(), ['d']],
  ])('%s', (_name, one, ids) => {
    show(<Patterns days={days({ patterns: [one] })} />);
    expect(hrefs()).toEqual([
      '/days/c/2026-10-20',
      ...ids.map((id) => `/talk/write?studentId=c&teacherId=${id}`),
    ]);
  });

  it('leaving early and the last period are said once', () => {
    const early = pattern({ lessons: lessonOf('a') });
    const last = pattern({
      kind: 'period',
      value: '7',
      dates: ['2026-10-16', ...early.dates],
      lessons: lessonOf('a'),
    });
    const other = pattern({ kind: 'period', value: '2', dates: ['2026-10-05'], lessons: lessonOf('b') });
    const { container } = show(<Patterns days={days({ patterns: [early, last, other] })} />);
    expect(container.textContent).toContain('Left before last period');
    expect(container.textContent).not.toContain('period 7');
    expect(container.textContent).toContain(
      'Left before last period on Oct 19 and 20. Each time it was Course a.No assignments were given or due in those classes.See the latest of these daysWrite to Teacher aMissed period 2 on Oct 5: Course b.No assignments were given or due in those classes.See the latest of these daysWrite to Teacher b',
    );
  });

  it('offer writing to nobody who may only look', async () => {
    await signedInAs('look-only');
    show(<Patterns days={days({ patterns: [pattern({ lessons: lessonOf('a') })] })} />);
    expect(screen.queryByRole('link', { name: /Write to/ })).toBeNull();
  });
});

describe('a code nobody has explained', () => {
  const unknown = days({ unknownCodes: [{ code: 'Q7', on: ['2026-10-20', '2026-10-21'] }] });
  it('is shown as it is, with its days, and asked about', () => {
    show(<UnknownCodes days={unknown} />);
    expect(screen.getByRole('heading', { name: 'What does “Q7” mean?' })).not.toBeNull();
    expect(screen.getByText(/used it on Oct 20 and 21/)).not.toBeNull();
    expect(hrefs()).toEqual(['/talk/write?studentId=c&teacherId=d']);
    fireEvent.click(screen.getByRole('button', { name: 'I know what it means: Q7' }));
    expect(within(screen.getByRole('radiogroup')).getAllByRole('radio').length).toBeGreaterThanOrEqual(5);
    expect(screen.getByRole('button', { name: 'Save this meaning' })).not.toBeNull();
  });
  it('is not asked about where the school has named nobody', () => {
    show(<UnknownCodes days={{ ...unknown, desk: null }} />);
    expect(screen.queryByRole('link')).toBeNull();
  });
});

describe('a month of marks', () => {
  it.each([
    ['2026-10', 5, '2026-09-28', '2026-11-01'],
    ['2027-02', 4, '2027-02-01', '2027-02-28'],
    ['2026-08', 6, '2026-07-27', '2026-09-06'],
  ])('%s has %i weeks, from %s to %s', (month, count, first, last) => {
    const weeks = weeksOf(month);
    expect([weeks.length, weeks[0]?.[0], weeks.at(-1)?.[6]]).toEqual([count, first, last]);
  });

  const week = [
    { on: '2026-10-19', marks: [mark('present'), mark('absent', '2')] },
    { on: '2026-10-20', marks: [mark('closed')] },
  ];
  it('leads from each marked day to that day, and says what was', () => {
    show(<MonthOfMarks days={days({ days: week })} month="2026-10" />);
    expect(screen.getAllByRole('link').map((link) => link.getAttribute('aria-label'))).toEqual([
      'Monday, October 19: Lesson 2: absent, no reason given',
      'Tuesday, October 20: No school',
    ]);
    expect(hrefs()).toEqual(['/days/c/2026-10-19', '/days/c/2026-10-20']);
    // Saturdays and Sundays are no columns where nothing was marked on them.
    expect(screen.queryByText('24')).toBeNull();
    expect([screen.queryByText('Fri'), screen.queryByText('Sat')].map(Boolean)).toEqual([true, false]);
  });
  it('shows weekends where there was school on one', () => {
    const saturday = { on: '2026-10-24', marks: [mark('present')] };
    show(<MonthOfMarks days={days({ days: [...week, saturday] })} month="2026-10" />);
    expect(screen.queryByText('25')).not.toBeNull();
    expect(screen.queryByText('Sat')).not.toBeNull();
  });
});

it('the key names every sign once', () => {
  show(<StripKey />);
  const words = [
    'present',
    'absent, no reason given',
    'absent, explained',
    'came in late',
    'on a trip',
    'a code nobody has explained',
  ];
  for (const word of words) expect(screen.getAllByText(word)).toHaveLength(1);
});
