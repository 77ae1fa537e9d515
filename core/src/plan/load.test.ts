import fc from 'fast-check';
import { loadOfEvenings } from './load';

const evening = (date: string, minutes = 60) => ({ date, minutes });
const task = (on: string | null, minutes: number, doneAt: string | null = null) => ({
  evening: on,
  minutes,
  doneAt,
});

it('sums what is planned for each evening and not done', () => {
  const tasks = [
    ...[task('2026-10-21', 30), task('2026-10-21', 20), task('2026-10-21', 40, '2026-10-21T20:00:00Z')],
    ...[task('2026-10-22', 75), task(null, 50)],
  ];
  expect(loadOfEvenings([evening('2026-10-22', 45), evening('2026-10-21')], tasks, 7)).toEqual([
    { date: '2026-10-21', free: 60, planned: 50 },
    { date: '2026-10-22', free: 45, planned: 75 },
  ]);
});

it('loses nothing that stands on an evening in sight', () => {
  const dates = ['2026-10-21', '2026-10-22', '2026-10-23'];
  const tasks = fc.array(
    fc.record({
      evening: fc.constantFrom(null, ...dates),
      minutes: fc.integer({ min: 0, max: 240 }),
      doneAt: fc.constantFrom(null, '2026-10-21T20:00:00Z'),
    }),
  );
  fc.assert(
    fc.property(tasks, (given) => {
      const load = loadOfEvenings(
        dates.map((date) => evening(date)),
        given,
        3,
      );
      const open = given.filter((each) => each.evening !== null && each.doneAt === null);
      expect(load.reduce((sum, { planned }) => sum + planned, 0)).toBe(
        open.reduce((sum, { minutes }) => sum + minutes, 0),
      );
    }),
  );
});

it('shows as many evenings as there is room for, the next ones', () => {
  const load = loadOfEvenings([evening('2026-10-23'), evening('2026-10-21'), evening('2026-10-22')], [], 2);
  expect(load.map(({ date }) => date)).toEqual(['2026-10-21', '2026-10-22']);
});
