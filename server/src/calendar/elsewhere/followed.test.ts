import { elsewhereRoutes, ownRoutes } from '@cadro/contract';
import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Agent } from 'supertest';
import { addJobs, Threads } from '../../kit';
import { ownHooks } from '../../main/hooks';
import { addOwnChild, ownRecordOf, putOwnCourse } from '../../testing/ownChild';
import { World } from '../../testing/world';
import { followedIds, readFollowed } from './followed';

/* A calendar at an address: events, and work of the courses its titles name; read again, it moves and ends with it. */
let world: World;
let maren: Agent;
let wren: string;
let http: Server;
let base: string;
let answer: { status: number; body: string };
beforeAll(async () => {
  world = await World.start();
  await world.household('here', [{ name: 'maren', children: [] }]);
  maren = await world.signedIn('maren');
  wren = await addOwnChild(maren);
  await putOwnCourse(maren, wren);
  http = createServer((request, response) => {
    if (request.url === '/elsewhere')
      return void response.writeHead(302, { location: 'http://198.51.100.7/' }).end();
    response.writeHead(answer.status, { 'content-type': 'text/calendar' }).end(answer.body);
  }).listen(0, '127.0.0.1');
  await once(http, 'listening');
  base = `http://127.0.0.1:${(http.address() as AddressInfo).port}`;
});
afterAll(async () => {
  http.close();
  await world.stop();
});

const record = () => ownRecordOf(maren, wren);
const works = async () =>
  (await record()).courses.flatMap(({ items }) =>
    items.map(({ title, dueOn, status }) => [title, dueOn, status]),
  );
/** A calendar of whole days. */
const calendar = (events: Readonly<Record<string, readonly [string, string, string?]>>): string =>
  [
    ...['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Skerry//EN'],
    ...Object.entries(events).flatMap(([uid, [title, on, more]]) => [
      ...['BEGIN:VEVENT', `UID:${uid}`, `SUMMARY:${title}`, `DTSTART;VALUE=DATE:${on.replaceAll('-', '')}`],
      ...(more ? [more] : []),
      'END:VEVENT',
    ]),
    ...['END:VCALENDAR', ''],
  ].join('\r\n');
const follow = (body: object = {}) =>
  maren
    .post(elsewhereRoutes.follow.path)
    .send({ studentId: wren, name: 'Class calendar', url: `${base}/class.ics`, asWork: true, ...body });
const threads = new Threads();
afterAll(() => threads.close());
async function readAgain(): Promise<number> {
  let read = 0;
  for (const id of await followedIds(world.db))
    if (await readFollowed({ ...world, ...ownHooks, threads }, id)) read += 1;
  return read;
}
async function followed() {
  const { body } = await maren.get(elsewhereRoutes.list.path).expect(200);
  return body.imports[0];
}

it('becomes events, and work where a title names a course', async () => {
  answer = {
    status: 200,
    body: calendar({
      quiz: ['Math: Quiz 4', '2026-10-30'],
      essay: ['Essay (Mathematics)', '2026-11-06'],
      picture: ['Picture day', '2026-10-28'],
      club: ['Math: club', '2026-10-27', 'RRULE:FREQ=WEEKLY;COUNT=5'],
    }),
  };
  const { body } = await follow().expect(200);
  expect(body).toMatchObject({ report: { events: 4, added: 4 }, works: 2 });
  expect(await works()).toEqual([
    ['Quiz 4', '2026-10-30', 'open'],
    ['Essay', '2026-11-06', 'open'],
  ]);
  expect(await followed()).toMatchObject({ followed: { failingSince: null, asWork: true } });
});

it('moves and ends with its calendar, and keeps what has a score', async () => {
  const { courses } = await record();
  const [course] = courses;
  const essay = course?.items.find(({ title }) => title === 'Essay');
  await maren
    .post(ownRoutes.putWork.path.replace(':studentId', wren).replace(':courseId', course?.id ?? ''))
    .send({
      rows: [
        {
          ...{
            itemId: essay?.id,
            title: 'Essay',
            dueOn: '2026-11-06',
            category: null,
            earned: 9,
            possible: 10,
          },
          ...{ percent: null, letter: null, status: 'scored', comment: null },
        },
      ],
    })
    .expect(200);
  answer.body = calendar({ quiz: ['Math: Quiz 4 and 5', '2026-11-02'], map: ['Math: Map', '2026-11-03'] });
  expect(await readAgain()).toBe(1);
  expect(await works()).toEqual([
    ['Quiz 4 and 5', '2026-11-02', 'open'],
    ['Map', '2026-11-03', 'open'],
    ['Essay', '2026-11-06', 'scored'],
  ]);
  answer.body = calendar({ quiz: ['Math: Quiz 4 and 5', '2026-11-02'] });
  await readAgain();
  expect((await works()).map(([title]) => title)).toEqual(['Quiz 4 and 5', 'Essay']);
  await readAgain();
  expect(await works()).toHaveLength(2);
});

it('says since when it cannot be read, and reads on by itself', async () => {
  answer = { status: 503, body: '' };
  expect(await readAgain()).toBe(0);
  expect(await followed()).toMatchObject({
    followed: { failure: 'source-down', failingSince: '2026-10-21T19:40:00.000Z' },
  });
  expect(await works()).toHaveLength(2);
  answer = { status: 200, body: 'a picture' };
  await readAgain();
  expect(await followed()).toMatchObject({ followed: { failure: 'source-nonsense' } });
  answer.body = calendar({});
  await readAgain();
  expect(await followed()).toMatchObject({ followed: { failure: null, failingSince: null } });
});

it('is read by a job of its own', async () => {
  answer = { status: 200, body: calendar({ quiz: ['Math: Quiz 9', '2026-11-12'] }) };
  await addJobs(world.db, [{ task: 'readCalendars', payload: {}, key: 'calendars' }]);
  await world.workOff();
  expect((await works()).map(([title]) => title)).toContain('Quiz 9');
});

it.each<[string, object, number]>([
  ['an address that leads elsewhere', { url: 'REDIRECT' }, 503],
  ['what is no address', { url: 'file:///etc/passwd' }, 400],
  ['a text that is no calendar', { url: 'NONSENSE' }, 422],
  ['another child', { studentId: '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6' }, 404],
  ['work of nobody', { studentId: null }, 400],
])('refuses %s', async (_what, change, status) => {
  answer = { status: 200, body: 'url' in change && change.url === 'NONSENSE' ? 'no calendar' : calendar({}) };
  const url =
    'url' in change && change.url === 'REDIRECT'
      ? `${base}/elsewhere`
      : 'url' in change && change.url === 'NONSENSE'
        ? `${base}/class.ics`
        : undefined;
  await follow({ ...change, ...(url ? { url } : {}), name: 'Other' }).expect(status);
  expect((await maren.get(elsewhereRoutes.list.path)).body.imports).toHaveLength(1);
});
