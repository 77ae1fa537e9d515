import fc from 'fast-check';
import { weekdayOf } from '../dates';
import { hasReached, nextLook } from './repeating';
import { workedBefore, type PastFollowUp } from './workedBefore';

describe('a follow-up of every week', () => {
  it.each([
    ['from a Wednesday to the Sunday', 7, '2026-10-21', '2026-10-25'],
    ['from a Sunday to the next one', 7, '2026-10-25', '2026-11-01'],
    ['over the end of a year', 1, '2026-12-29', '2027-01-04'],
  ])('comes back %s', (_name, weekday, today, next) =>
    expect(nextLook({ weekday, untilAtLeast: null }, today)).toBe(next),
  );

  it('comes back within seven days, on its weekday', () =>
    void fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 7 }),
        fc.date({ min: new Date('2020-01-01'), max: new Date('2040-01-01'), noInvalidDate: true }),
        (weekday, date) => {
          const today = date.toISOString().slice(0, 10);
          const next = nextLook({ weekday, untilAtLeast: null }, today);
          expect(next > today).toBe(true);
          expect(weekdayOf(next)).toBe(weekday % 7);
          expect(Date.parse(next) - Date.parse(today)).toBeLessThanOrEqual(7 * 86_400_000);
        },
      ),
    ));

  it.each([
    [80, 79.9, false],
    [80, 80, true],
    [80, null, false],
    [null, 100, false],
  ])('until %s ends at %s: %s', (untilAtLeast, display, ends) =>
    expect(hasReached({ weekday: 7, untilAtLeast }, display)).toBe(ends),
  );
});

describe('what worked before', () => {
  const past = (more: Partial<PastFollowUp>): PastFollowUp => ({
    ...{ title: 'Tide log', courseId: 'tides', courseTitle: 'Reading the tides', byRecord: true },
    ...{ settledOn: '2026-10-09', done: [{ what: 'letter', on: '2026-10-06' }] },
    ...more,
  });
  const other = past({
    title: 'Seed jar',
    courseId: 'seeds',
    courseTitle: 'Seed library',
    settledOn: '2026-10-20',
  });

  it.each([
    ['the same course before a later one of another', [past({}), other], 'Tide log', 3],
    ['another course where there is none of the same', [past({ courseId: 'x' }), other], 'Seed jar', 14],
    [
      'the latest of one course',
      [past({ settledOn: '2026-09-30', done: [{ what: 'talk', on: '2026-09-29' }] }), past({})],
      'Tide log',
      3,
    ],
  ])('takes %s', (_name, all, title, days) =>
    expect(workedBefore(all, { courseId: 'tides' })).toMatchObject({ title, days }),
  );

  it('names what was done last before it worked', () => {
    const done = [
      { what: 'talk', on: '2026-10-01' },
      { what: 'letter', on: '2026-10-08' },
      { what: 'talk', on: '2026-10-12' },
    ] as const;
    expect(workedBefore([past({ done })], { courseId: null })).toMatchObject({ after: 'letter', days: 1 });
  });

  it.each([
    ['it was settled by hand', past({ byRecord: false })],
    ['nobody had done anything', past({ done: [] })],
  ])('says nothing where %s', (_name, one) => expect(workedBefore([one], { courseId: 'tides' })).toBeNull());
});
