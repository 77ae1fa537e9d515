import {
  meetingRoutes as routes,
  timeRoutes,
  entryRoutes,
  type Meeting,
  type OfferedSlot,
} from '@cadro/contract';
import type { Agent } from 'supertest';
import { World } from '../testing/world';

/* Meetings at school: times that it offers, taken, moved and given back; and the page that is brought. */
let world: World;
let maren: Agent;
let tobiah: Agent;
let oysterly: Agent;
beforeAll(async () => {
  world = await World.read();
  await world.household('aldervane', [
    { name: 'maren', children: ['caspian', 'isolde'] },
    { name: 'tobiah', children: ['caspian'] },
    { name: 'ottoline', role: 'look-only', children: ['caspian'] },
    { name: 'caspian', role: 'student', children: ['caspian'] },
  ]);
  await world.household('oysterly', [{ name: 'oysterly', children: ['neighbour-b'] }]);
  [maren, tobiah, oysterly] = [
    await world.signedIn('maren'),
    await world.signedIn('tobiah'),
    await world.signedIn('oysterly'),
  ];
});
afterAll(() => world.stop());

const slots = async (agent = maren): Promise<OfferedSlot[]> =>
  (await agent.get(routes.slots.path).expect(200)).body.slots;
const slotAt = async (startsAt: string, agent = maren): Promise<OfferedSlot> => {
  const found = (await slots(agent)).find((each) => each.startsAt === startsAt);
  if (!found) throw new Error(`no time at ${startsAt}`);
  return found;
};
const list = async (agent = maren): Promise<Meeting[]> =>
  (await agent.get(routes.list.path).expect(200)).body.meetings;
const of = (route: keyof typeof routes, id: string): string =>
  routes[route].path.replace(/:(slotId|meetingId)/, id);
const book = ({ id, studentId }: OfferedSlot, agent = maren) =>
  agent.post(of('book', id)).send({ studentId });
const first = '2026-10-29T18:10:00.000Z';
const third = '2026-10-29T18:50:00.000Z';
const afterTheClocks = '2026-11-03T19:10:00.000Z';
const atSchool = async (id: string): Promise<Record<string, unknown>> => {
  const { records } = (await (await fetch(`${world.school.url}/demo/records/millrace/slots`)).json()) as {
    records: { id: string; row: Record<string, unknown> }[];
  };
  return records.find((each) => each.id === id)?.row ?? {};
};

describe('a time that a school offers', () => {
  it('is shown to the families whose it can be, without those that others have', async () => {
    const found = (await slots()).map(({ teacherName, startsAt, way, place }) => [
      teacherName,
      startsAt,
      way,
      place,
    ]);
    expect(found).toEqual([
      ['Jonquil Byrd', '2026-10-27T11:00:00.000Z', 'phone', null],
      ['Jonquil Byrd', '2026-10-27T11:30:00.000Z', 'phone', null],
      ['Aldous Quillfeather', '2026-10-28T18:20:00.000Z', 'in-person', 'Lab 2'],
      ['Aldous Quillfeather', '2026-10-28T18:40:00.000Z', 'in-person', 'Lab 2'],
      ['Wren Thornwick', first, 'in-person', 'Boat shed'],
      ['Wren Thornwick', third, 'in-person', 'Boat shed'],
      ['Wren Thornwick', afterTheClocks, 'in-person', 'Boat shed'],
      ['Wren Thornwick', '2026-11-03T19:30:00.000Z', 'in-person', 'Boat shed'],
      ['Marisol Veleta', '2026-11-04T21:00:00.000Z', 'link', null],
    ]);
    // Who may not write takes none; the school has put one down for the neighbour’s child.
    for (const other of ['ottoline', 'caspian']) expect(await slots(await world.signedIn(other))).toEqual([]);
    const theirs = (await slots(oysterly)).filter(({ state }) => state === 'ours');
    expect(theirs.map(({ startsAt }) => startsAt)).toEqual(['2026-10-29T18:30:00.000Z']);
  });

  it('is taken by the faster of two families in the same second', async () => {
    const theirs = await slotAt(first, oysterly);
    const ours = await slotAt(first);
    const answers = await Promise.all([book(ours), book(theirs, oysterly)]);
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 409]);
    const slow = answers.find(({ status }) => status === 409);
    expect(slow?.body).toMatchObject({ code: 'time-taken' });
    const [winner, loser] = answers[0].status === 201 ? [maren, oysterly] : [oysterly, maren];
    expect(await list(winner)).toMatchObject([{ startsAt: first, state: 'stands', offered: true }]);
    expect(await list(loser)).toEqual([]);
    expect((await slots(loser)).map(({ startsAt }) => startsAt)).not.toContain(first);
    // It is given back, so that what follows is the same whoever was faster.
    const [meeting] = await list(winner);
    if (!meeting) throw new Error('no meeting');
    await winner.post(of('giveBack', meeting.id)).send({ version: meeting.version }).expect(200);
    await world.workOff();
    expect(await atSchool('slot-boats-10-29-1510')).toMatchObject({ taken: false, bookedFor: null });
    expect((await slots(loser)).map(({ startsAt }) => startsAt)).toContain(first);
  });

  it('is one meeting where both guardians of a family take it at once', async () => {
    const slot = await slotAt(third);
    const [one, other] = await Promise.all([book(slot), book(slot, tobiah)]);
    expect([one.status, other.status]).toEqual([201, 201]);
    expect(one.body.id).toBe(other.body.id);
    expect(await atSchool('slot-boats-10-29-1550')).toMatchObject({ taken: true, bookedFor: 'caspian' });
    const standing = (await list(tobiah)).filter(({ state }) => state === 'stands');
    expect(standing).toHaveLength(1);
    expect(await slots()).not.toContainEqual(expect.objectContaining({ startsAt: third }));
  });

  it('is moved: the new one first, the old one goes back; the days know it', async () => {
    const meeting = (await list()).find(({ state }) => state === 'stands');
    const { id: slotId } = await slotAt(afterTheClocks);
    const { version = 0, id = '' } = meeting ?? {};
    const moved = await maren.post(of('move', id)).send({ version, to: { slotId } }).expect(200);
    expect(moved.body).toMatchObject({
      startsAt: afterTheClocks,
      timeZone: 'America/Halifax',
      state: 'stands',
    });
    await tobiah.post(of('move', id)).send({ version, to: { slotId } }).expect(409);
    await world.workOff();
    expect(await atSchool('slot-boats-10-29-1550')).toMatchObject({ taken: false });
    expect(await atSchool('slot-boats-11-03-1510')).toMatchObject({ taken: true, bookedFor: 'caspian' });
    const { events } = (await tobiah.get('/api/calendar?from=2026-10-26&to=2026-11-08').expect(200)).body;
    expect(events.filter(({ key }: { key: string }) => key === `meeting-${id}`)).toMatchObject([
      {
        ...{ title: 'Wren Thornwick about Caspian', on: '2026-11-03', startsAt: '15:10', endsAt: '15:30' },
        ...{ layer: 'meeting', place: 'Boat shed', link: { to: 'meeting', meetingId: id } },
      },
    ]);
    const other = await slotAt('2026-10-28T18:20:00.000Z');
    await maren
      .post(of('move', id))
      .send({ version: version + 1, to: { slotId: other.id } })
      .expect(404);
  });

  it('is not taken while the school cannot be asked; an answer that is lost is found again', async () => {
    const slot = await slotAt(first);
    await world.school.fail([{ school: 'millrace', collection: 'booking', kind: 'cut' }]);
    expect((await book(slot).expect(503)).body).toMatchObject({ code: 'source-unreachable' });
    await world.school.fail([]);
    const { body } = await book(slot).expect(201);
    await maren.post(of('giveBack', body.id)).send({ version: body.version }).expect(200);
    await world.workOff();
  });

  it('is called off or moved by the school, which is told', async () => {
    const { body } = await book(await slotAt(third)).expect(201);
    const row = await atSchool('slot-boats-10-29-1550');
    const say = (more: object) =>
      fetch(`${world.school.url}/demo/records/millrace/slots/slot-boats-10-29-1550`, {
        ...{ method: 'PUT', headers: { 'content-type': 'application/json' } },
        body: JSON.stringify({ ...row, ...more }),
      });
    const now = async () => (await list()).find(({ id }) => id === body.id);
    await world.moveTo('2026-10-21T20:40:00Z');
    await say({
      place: 'Sail loft',
      startsAt: '2026-10-29T19:00:00.000Z',
      endsAt: '2026-10-29T19:20:00.000Z',
    });
    await world.sync('millrace');
    expect(await now()).toMatchObject({
      ...{ place: 'Sail loft', startsAt: '2026-10-29T19:00:00.000Z', state: 'stands' },
      version: body.version + 1,
    });
    await world.moveTo('2026-10-21T21:40:00Z');
    await say({ deleted: true });
    await world.sync('millrace');
    expect(await now()).toMatchObject({ state: 'called-off' });
    await maren
      .post(of('giveBack', body.id))
      .send({ version: body.version + 2 })
      .expect(409);
  });
});

describe('a meeting', () => {
  it('is put down by hand; what is asked, noted and agreed stands with it, and the slower sees both', async () => {
    const thornwick = (await slotAt(first)).teacherId;
    const when = { startsAt: '2026-10-26T20:00:00Z', endsAt: '2026-10-26T20:20:00Z' };
    const given = { studentId: world.student('caspian'), teacherId: thornwick, ...when };
    const where = { way: 'phone', place: null, href: null };
    const add = (more: object = {}, agent = maren) =>
      agent.post(routes.add.path).send({ ...given, ...where, ...more });
    const { body } = await add().expect(201);
    expect(body).toMatchObject({ offered: false, way: 'phone', teacherName: 'Wren Thornwick' });
    await add({ endsAt: '2026-10-26T19:00:00Z' }).expect(400);
    await add({ href: 'javascript:alert(1)' }).expect(400);
    await add({ studentId: world.student('neighbour-b') }).expect(404);
    await add({ teacherId: (await slotAt('2026-10-28T18:20:00.000Z')).teacherId }).expect(404);
    await add({}, await world.signedIn('ottoline')).expect(403);
    const change = (what: object, agent = maren) =>
      agent.patch(of('change', body.id)).send({ version: body.version, ...what });
    const questions = [{ id: 'q-1', text: 'May he bring the oar home?' }];
    expect((await change({ questions, notes: 'He likes the sail cloth.' }).expect(200)).body).toMatchObject({
      questions,
      notes: 'He likes the sail cloth.',
    });
    expect((await change({ notes: 'Other words' }, tobiah).expect(409)).body).toMatchObject({
      ...{ code: 'edited-meanwhile', current: { notes: 'He likes the sail cloth.' } },
      yours: { notes: 'Other words' },
    });
    await change({ notes: 'x' }, oysterly).expect(404);
    await change({ notes: 'x' }, await world.signedIn('caspian')).expect(404);
    const { found } = (await tobiah.get('/api/search?q=oar%20sail').expect(200)).body;
    expect(found).toMatchObject([{ kind: 'meeting', id: body.id, title: 'Wren Thornwick' }]);
  });
});

it('tells when each guardian has something, and of what is private nothing but its times', async () => {
  const entry = (title: string, more: object, agent: Agent) =>
    agent
      .post(entryRoutes.create.path)
      .send({ kind: 'event', title, studentIds: [], shared: false, on: '2026-10-29', ...more })
      .expect(201);
  await entry('Dentist', { startsAt: '15:00', endsAt: '15:45' }, tobiah);
  await entry('Sit-down', { shared: true, startsAt: '18:00' }, maren);
  await entry('Whole day', { shared: true }, maren);
  const busy = async (agent: Agent) =>
    (await agent.get(`${timeRoutes.busy.path}?from=2026-10-29&to=2026-10-29`).expect(200)).body;
  const answer = await busy(maren);
  const sitDown = { startsAt: '2026-10-29T21:00:00.000Z', endsAt: '2026-10-29T22:00:00.000Z' };
  const dentist = { startsAt: '2026-10-29T18:00:00.000Z', endsAt: '2026-10-29T18:45:00.000Z' };
  expect(answer.people).toMatchObject([
    { name: 'maren', busy: [sitDown] },
    { name: 'tobiah', busy: [dentist, sitDown] },
  ]);
  expect(JSON.stringify(answer)).not.toContain('Dentist');
  expect((await busy(oysterly)).people).toMatchObject([{ name: 'oysterly', busy: [] }]);
  await maren.get(`${timeRoutes.busy.path}?from=2026-10-29&to=2026-10-01`).expect(400);
});

it('reads the times in a calendar file', async () => {
  const text = [
    ...['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Somebody//EN'],
    ...['BEGIN:VEVENT', 'UID:1', 'DTSTART;TZID=America/Halifax:20261105T151000', 'DURATION:PT20M'],
    ...['SUMMARY:Conference', 'LOCATION:Room 9', 'END:VEVENT'],
    ...['BEGIN:VEVENT', 'UID:2', 'DTSTART;VALUE=DATE:20261106', 'SUMMARY:Lantern day', 'END:VEVENT'],
    ...['BEGIN:VEVENT', 'UID:3', 'DTSTART:20261001T151000Z', 'SUMMARY:Over', 'END:VEVENT'],
    ...['END:VCALENDAR', ''],
  ].join('\r\n');
  const read = (given: string, agent = maren) =>
    agent.post(timeRoutes.inFile.path).send({ studentId: world.student('caspian'), text: given });
  expect((await read(text).expect(200)).body.times).toEqual([
    {
      ...{ title: 'Conference', place: 'Room 9' },
      ...{ startsAt: '2026-11-05T19:10:00.000Z', endsAt: '2026-11-05T19:30:00.000Z' },
    },
  ]);
  await read('no calendar').expect(422);
  await read(text, oysterly).expect(404);
});
