import { feedCollections } from '@cadro/contract';
import { misfits } from '@cadro/contract/parse';
import { Simulation } from '../../simulation';
import { opensAt, schools } from '..';

/* What the schools tell of their days: codes, calendar, timetable, what a lesson did, what is on. */
const { records } = new Simulation(null);
const told = (school: string, collection: string, at = opensAt) =>
  (records.get(school)?.current(collection, at) ?? []).map(({ id, changedAt, row }) => ({
    id,
    changedAt,
    ...row,
  }));
const names = schools.map(({ id }) => id);
type Row = Readonly<Record<string, unknown>>;
const rows = (school: string, collection: string, at = opensAt): Row[] => told(school, collection, at);

describe.each(names)('%s', (school) => {
  it.each([
    'attendanceCodes',
    'attendance',
    'schoolDays',
    'timetable',
    'schoolEvents',
    'lessonNotes',
  ] as const)('tells its %s in the documented shape', (collection) => {
    const found = told(school, collection);
    const odd = found.flatMap((row) =>
      misfits(feedCollections[collection], row).map((misfit) => ({ row, misfit })),
    );
    expect(odd).toEqual([]);
    // Little Fathom's teachers publish nothing of their lessons.
    expect(found.length > 0).toBe(!(school === 'little-fathom' && collection === 'lessonNotes'));
  });

  it('has a meaning for every code in its register, but for the one that is asked about', () => {
    const known = new Set(rows(school, 'attendanceCodes').map(({ code }) => code));
    const used = new Set(rows(school, 'attendance').map(({ code }) => code));
    expect([...used].filter((code) => !known.has(code))).toEqual(school === 'millrace' ? ['Q7'] : []);
  });

  it('tells no mark before the day is over', () => {
    for (const { date, changedAt } of rows(school, 'attendance'))
      expect(String(changedAt) > `${String(date)}T12`).toBe(true);
  });

  it('has school on weekdays only, and a name for every day without', () => {
    for (const { date, open, title } of rows(school, 'schoolDays')) {
      const weekday = new Date(`${String(date)}T12:00:00Z`).getUTCDay();
      expect([1, 2, 3, 4, 5]).toContain(weekday);
      if (!open) expect(title).toBeTruthy();
    }
  });

  it('gives each lesson a time of its own on a day of the rotation', () => {
    const lessons = rows(school, 'timetable');
    const places = lessons.map(({ rotationDay, startsAt }) => `${String(rotationDay)} ${String(startsAt)}`);
    if (school !== 'little-fathom') expect(new Set(places).size).toBe(places.length);
    for (const { startsAt, endsAt } of lessons) expect(String(startsAt) < String(endsAt)).toBe(true);
  });
});

it('the rotation goes on from day to day, over the days without school', () => {
  const days = (school: string) =>
    rows(school, 'schoolDays')
      .filter(({ date }) => String(date) >= '2026-09-23' && String(date) <= '2026-09-29')
      .sort((a, b) => (String(a['date']) < String(b['date']) ? -1 : 1))
      .map(({ date, open, rotationDay }) => [String(date).slice(8), open ? rotationDay : '–']);
  expect(days('gannet-head')).toEqual([
    ['23', 'A'],
    ['24', 'B'],
    ['25', '–'],
    ['28', 'A'],
    ['29', 'B'],
  ]);
  expect(days('millrace').map(([, day]) => day)).toEqual(['1', '2', '–', '3', '1']);
});

it('a period before the first is on one day of the rotation, and a course may miss one', () => {
  const of = (school: string, course: string) =>
    rows(school, 'timetable')
      .filter(({ classId }) => classId === course)
      .map(({ rotationDay, period }) => `${String(rotationDay)}${String(period)}`);
  expect(of('gannet-head', 'spanish').sort()).toEqual(['A4', 'B0']);
  expect(of('millrace', 'spanish').map((each) => each[0])).not.toContain('2');
});

it('what a lesson did is told when it is over, with homework and files where there are', () => {
  const notes = rows('gannet-head', 'lessonNotes');
  expect(notes.some(({ date }) => date === '2026-10-21')).toBe(true);
  expect(notes.every(({ changedAt }) => String(changedAt) <= opensAt)).toBe(true);
  expect(notes.some(({ homework }) => typeof homework === 'string')).toBe(true);
  expect(rows('millrace', 'lessonNotes').some(({ files }) => Array.isArray(files) && files.length > 0)).toBe(
    true,
  );
});

it('an event that is called off is told as gone from that day on, and no other is', () => {
  const gone = (at: string) =>
    names.flatMap((school) =>
      rows(school, 'schoolEvents', at).flatMap(({ id, deleted }) =>
        deleted ? [`${school}/${String(id)}`] : [],
      ),
    );
  expect(gone(opensAt)).toEqual([]);
  expect(gone('2026-10-22T19:40:00Z')).toEqual(['millrace/rope-fair']);
});
