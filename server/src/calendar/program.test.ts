import { execFile } from 'node:child_process';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { entryRoutes } from '@cadro/contract';
import { World } from '../testing/world';

const run = promisify(execFile);

let world: World;
let folder: string;
beforeAll(async () => {
  world = await World.read('once');
  await world.household('here', [{ name: 'maren', children: ['isolde', 'caspian'] }]);
  folder = await mkdtemp(join(tmpdir(), 'calendar-program-'));
});
afterAll(async () => {
  await rm(folder, { recursive: true, force: true });
  await world.stop();
});

/** What a calendar program reads in a file: the beginning, the end and the title of every event. */
async function readByProgram(text: string): Promise<string[]> {
  const [config, file] = [join(folder, 'config'), join(folder, 'family.ics')];
  const zone = 'America/Halifax';
  await writeFile(
    config,
    [
      ...['[calendars]', '[[family]]', `path = ${folder}`, '[locale]', 'timeformat = %H:%M'],
      ...['dateformat = %Y-%m-%d', 'longdateformat = %Y-%m-%d', 'datetimeformat = %Y-%m-%d %H:%M'],
      ...['longdatetimeformat = %Y-%m-%d %H:%M', `local_timezone = ${zone}`, `default_timezone = ${zone}`],
    ].join('\n'),
  );
  await writeFile(file, text);
  const format = '{start-long}|{end-time}|{title}';
  const { stdout } = await run('khal', ['-c', config, 'printics', '--format', format, file], {
    env: { ...process.env, HOME: folder, LC_ALL: 'C.UTF-8' },
  });
  return stdout.split('\n').filter((line) => line.includes('|'));
}

it('is read by a calendar program: the weekly sit-down at its hour, and what is due on its day', async () => {
  const maren = await world.signedIn('maren');
  const entry = {
    ...{ kind: 'event', title: 'Sit-down', studentIds: [], shared: true, on: '2026-10-25' },
    ...{ startsAt: '17:00', endsAt: '17:30', rule: 'FREQ=WEEKLY;BYDAY=SU' },
  };
  await maren.post(entryRoutes.create.path).send(entry).expect(201);
  const { text } = await maren.get('/api/calendar.ics?from=2026-10-19&to=2026-11-20').expect(200);
  const read = await readByProgram(text);
  expect(read).toContainEqual(expect.stringMatching(/^2026-10-25 17:00\|17:30\|Sit-down/));
  // After the clocks have gone back it is at the same hour.
  const sundays = read.filter((line) => /\|Sit-down/.test(line));
  for (const line of sundays) expect(line).toContain(' 17:00|17:30|');
  expect(read.length).toBeGreaterThan(sundays.length + 10);
});
