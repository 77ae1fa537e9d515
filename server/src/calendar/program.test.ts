import { entryRoutes } from '@cadro/contract';
import { CalendarProgram } from '../testing/calendarProgram';
import { World } from '../testing/world';

let world: World;
const program = new CalendarProgram();
beforeAll(async () => {
  world = await World.read('once');
  await world.household('here', [{ name: 'maren', children: ['isolde', 'caspian'] }]);
});
afterAll(async () => {
  await program.close();
  await world.stop();
});

it('is read by a calendar program: the weekly sit-down at its hour, and what is due on its day', async () => {
  const maren = await world.signedIn('maren');
  const entry = {
    ...{ kind: 'event', title: 'Sit-down', studentIds: [], shared: true, on: '2026-10-25' },
    ...{ startsAt: '17:00', endsAt: '17:30', rule: 'FREQ=WEEKLY;BYDAY=SU' },
  };
  await maren.post(entryRoutes.create.path).send(entry).expect(201);
  const { text } = await maren.get('/api/calendar.ics?from=2026-10-19&to=2026-11-20').expect(200);
  const read = await program.read(text);
  expect(read).toContainEqual(expect.stringMatching(/^2026-10-25 17:00\|17:30\|Sit-down/));
  // After the clocks have gone back it is at the same hour.
  const sundays = read.filter((line) => /\|Sit-down/.test(line));
  for (const line of sundays) expect(line).toContain(' 17:00|17:30|');
  expect(read.length).toBeGreaterThan(sundays.length + 10);
});
