import { announcementRoutes as routes, outlookRoutes, type Announcement } from '@cadro/contract';
import type { Agent } from 'supertest';
import { World } from '../testing/world';

let world: World;
let maren: Agent;
let tobiah: Agent;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['isolde', 'caspian', 'pet'] },
    { name: 'tobiah', children: ['isolde', 'caspian', 'pet'] },
    { name: 'ottoline', role: 'look-only', children: ['isolde', 'caspian', 'pet'] },
  ]);
  maren = await world.signedIn('maren');
  tobiah = await world.signedIn('tobiah');
});
afterAll(() => world.stop());

const listed = async (agent: Agent): Promise<Announcement[]> =>
  (await agent.get(routes.list.path).expect(200)).body.announcements;
const titled = async (agent: Agent, title: string): Promise<Announcement> => {
  const found = (await listed(agent)).find((each) => each.title === title);
  if (!found) throw new Error(`no announcement ${title}`);
  return found;
};
const pathOf = (route: keyof typeof routes, id: string, more: Record<string, string> = {}): string =>
  Object.entries({ announcementId: id, ...more }).reduce(
    (path, [name, value]) => path.replace(`:${name}`, encodeURIComponent(value)),
    routes[route].path,
  );
const answer = (agent: Agent, { id }: Announcement, child: string, body: object) =>
  agent.post(pathOf('answer', id, { studentId: world.student(child) })).send(body);

it('tells what each is for, what it wants and until when: as the school states it, or by its words', async () => {
  const found = await listed(maren);
  const brief = found.map(({ title, studentIds, wish, stated, by, helpers, answerTo, open }) => ({
    ...{ title, wish: wish.kind, stated, by, helpers, open, to: answerTo?.name },
    child: studentIds.map((id) => [...world.students].find(([, known]) => known === id)?.[0]).join(),
  }));
  const desk = 'Attendance desk, Millrace';
  const plain = { helpers: false, open: false, by: null, stated: false };
  expect(brief).toEqual([
    { ...plain, title: 'Library books', child: 'caspian', wish: 'date', to: desk },
    {
      ...{ title: 'When should we launch?', child: 'caspian', wish: 'choice', to: 'Wren Thornwick' },
      ...{ stated: true, open: true, helpers: false, by: '2026-10-23T19:00:00.000Z' },
    },
    { ...plain, title: 'Picture retake', child: 'pet', wish: 'date', to: 'School office, Little Fathom' },
    { ...plain, title: 'Report cards', child: 'isolde', wish: 'date', to: 'Attendance desk, Gannet Head' },
    {
      ...{ title: 'Rock pool morning', child: 'pet', wish: 'form', to: 'School office, Little Fathom' },
      ...{ stated: false, open: true, helpers: false, by: '2026-10-29T02:59:00.000Z' },
    },
    {
      ...{ title: 'Helpers for the launch', child: 'caspian', wish: 'yes-no', to: desk },
      ...{ stated: true, open: true, helpers: true, by: '2026-10-30T19:00:00.000Z' },
    },
    {
      ...{ title: 'Lamp night', child: 'isolde', wish: 'count', to: 'Attendance desk, Gannet Head' },
      ...{ stated: true, open: true, helpers: false, by: '2026-10-26T19:00:00.000Z' },
    },
  ]);
  expect(found.map(({ courseTitle }) => courseTitle).filter(Boolean)).toEqual(['Boat-building']);
});

it('is not told to whom it is not for', async () => {
  await world.household('next door', [{ name: 'next', children: ['neighbour-a'] }]);
  const next = await world.signedIn('next');
  expect((await listed(next)).map(({ title }) => title)).toEqual(['Report cards', 'Lamp night']);
  const retake = await titled(maren, 'Picture retake');
  await next.get(pathOf('read', retake.id)).expect(404);
  await next.patch(pathOf('keep', retake.id)).send({ kept: true }).expect(404);
});

it('shows days and things to bring on their words; a tap takes them into calendar and shopping list, another undoes it', async () => {
  const { id, text, parts } = await titled(maren, 'Rock pool morning');
  expect(parts.map(({ key, start, end }) => [key, text.slice(start, end)])).toEqual([
    ['day:2026-11-04', 'Wednesday, November 4'],
    ['bring:2026-11-04', 'boots and a spare pair of socks'],
    ['deadline:2026-10-28', 'Wednesday, October 28'],
  ]);
  const take = (key: string) => maren.post(pathOf('take', id, { part: key })).expect(200);
  await take('bring:2026-11-04');
  const twice = await take('bring:2026-11-04');
  const { entryId } = twice.body.parts.find((each: { key: string }) => each.key === 'bring:2026-11-04');
  const { supplies } = (await tobiah.get('/api/supplies').expect(200)).body;
  expect(supplies.filter((each: { entryId: string | null }) => each.entryId !== null)).toEqual([
    expect.objectContaining({
      ...{ entryId, supply: 'boots and a spare pair of socks', neededOn: '2026-11-04', got: false },
    }),
  ]);
  await take('day:2026-11-04');
  const seen = await titled(tobiah, 'Rock pool morning');
  expect(seen.parts.map((part) => part.entryId !== null)).toEqual([true, true, false]);
  await maren.delete(pathOf('leave', id, { part: 'day:2026-11-04' })).expect(200);
  // Taken out of the calendar itself, it can be taken anew.
  await maren.delete(`/api/entries/${entryId}`).expect(204);
  const left = await titled(tobiah, 'Rock pool morning');
  expect(left.parts.map((part) => part.entryId)).toEqual([null, null, null]);
  await take('bring:2026-11-04');
  await maren.post(pathOf('take', id, { part: 'day:2031-01-01' })).expect(404);
  const ottoline = await world.signedIn('ottoline');
  await ottoline.post(pathOf('take', id, { part: 'day:2026-11-04' })).expect(403);
});

it('sends an answer as a letter in the thread with who asked, says who gave it, and sends what changes', async () => {
  const launch = await titled(maren, 'When should we launch?');
  const first = await answer(tobiah, launch, 'caspian', {
    ...{ version: 0, answer: { kind: 'choice', choice: 'After lunch' }, note: 'Both of us are coming.' },
  }).expect(200);
  expect(first.body.answers).toEqual([
    expect.objectContaining({ author: 'tobiah', mine: true, version: 1, letter: 'queued' }),
  ]);
  const [given] = (await titled(maren, 'When should we launch?')).answers;
  expect(given).toMatchObject({ author: 'tobiah', mine: false, note: 'Both of us are coming.' });
  await answer(maren, launch, 'caspian', {
    ...{ version: 1, answer: { kind: 'choice', choice: 'Before noon' } },
  }).expect(200);
  await world.workOff();
  const thread = (await maren.get(`/api/threads/${given?.threadId}`).expect(200)).body;
  expect(
    thread.messages.map(({ author, text, state }: Record<string, string>) => [author, text, state]),
  ).toEqual([
    ['tobiah', expect.stringContaining('about Caspian: After lunch\n\nBoth of us are coming.'), 'sent'],
    ['maren', expect.stringContaining('has changed. It is now: Before noon'), 'sent'],
  ]);
});

it('shows both answers where two guardians answer at once', async () => {
  const lamps = await titled(maren, 'Lamp night');
  const count = (number: number) => ({ version: 0, answer: { kind: 'count', count: number } });
  const both = await Promise.all([
    answer(maren, lamps, 'isolde', count(2)),
    answer(tobiah, lamps, 'isolde', count(3)),
  ]);
  expect(both.map(({ status }) => status).sort()).toEqual([200, 409]);
  const slower = both.find(({ status }) => status === 409);
  expect(slower?.body).toMatchObject({
    code: 'edited-meanwhile',
    current: { version: 1, answer: { kind: 'count' } },
    yours: { answer: { kind: 'count' } },
  });
  expect(slower?.body.current.answer.count).not.toBe(slower?.body.yours.answer.count);
});

describe('to two children of one school', () => {
  const title = 'Choir in the lamp house';
  let schoolOfCaspian: { school_id: string };
  beforeAll(async () => {
    const [caspian, isolde] = [world.student('caspian'), world.student('isolde')];
    const found = await world
      .db('students')
      .where({ id: caspian })
      .first<typeof schoolOfCaspian>('school_id');
    if (!found) throw new Error('no such child');
    schoolOfCaspian = found;
    await world.db.raw(
      `update students set school_id = (select school_id from students where id = ?) where id = ?`,
      [isolde, caspian],
    );
    await world.db.raw(
      `insert into announcements (source_id, external_id, school_id, title, text, posted_at, wish, answer_by)
       select source_id, 'choir', school_id, ?, 'Who sings with us this year.', posted_at,
         '{"kind": "yes-no"}', answer_by - interval '3 days' from announcements where title = 'Lamp night'`,
      [title],
    );
  });
  afterAll(async () => {
    await world.db('announcements').where({ title }).delete();
    await world
      .db('students')
      .where({ id: world.student('caspian') })
      .update(schoolOfCaspian);
  });

  it('it is one announcement, answered for each, and waits until both are', async () => {
    const choir = await titled(maren, title);
    expect(new Set(choir.studentIds)).toEqual(new Set([world.student('isolde'), world.student('caspian')]));
    const waits = async () =>
      (await maren.get(outlookRoutes.brief.path).expect(200)).body.matters
        .filter((matter: { title?: string }) => matter.title === title)
        .map(({ studentId }: { studentId: string }) => studentId);
    expect(new Set(await waits())).toEqual(new Set(choir.studentIds));
    const says = (child: string, yes: boolean) =>
      answer(maren, choir, child, { version: 0, answer: { kind: 'yes-no', yes } }).expect(200);
    await says('isolde', true);
    expect(await waits()).toEqual([world.student('caspian')]);
    await says('caspian', false);
    expect(await waits()).toEqual([]);
    const { answers } = await titled(tobiah, title);
    expect(new Map(answers.map((given) => [given.studentId, given.answer]))).toEqual(
      new Map([
        [world.student('isolde'), { kind: 'yes-no', yes: true }],
        [world.student('caspian'), { kind: 'yes-no', yes: false }],
      ]),
    );
  });
});

describe('an answer that is none', () => {
  it.each<[string, string, string, object, number]>([
    ['to something else', 'Lamp night', 'isolde', { kind: 'yes-no', yes: true }, 400],
    ['of more than may come', 'Lamp night', 'isolde', { kind: 'count', count: 9 }, 400],
    [
      'of a choice nobody gave',
      'When should we launch?',
      'caspian',
      { kind: 'choice', choice: 'Never' },
      400,
    ],
    ['to what wants none', 'Library books', 'caspian', { kind: 'yes-no', yes: true }, 409],
    ['about a child it is not for', 'Lamp night', 'pet', { kind: 'count', count: 1 }, 404],
  ])('%s', async (_name, title, child, said, status) => {
    const announcement = await titled(maren, title);
    await answer(maren, announcement, child, { version: 1, answer: said }).expect(status);
  });

  it('from who may only look', async () => {
    const ottoline = await world.signedIn('ottoline');
    const lamps = await titled(ottoline, 'Lamp night');
    const said = { version: 1, answer: { kind: 'count', count: 1 } };
    await answer(ottoline, lamps, 'isolde', said).expect(403);
  });
});

it('is read, kept and put away by each guardian alone', async () => {
  const { id, read } = await titled(maren, 'Report cards');
  expect(read).toBe(false);
  await maren.patch(pathOf('keep', id)).send({ read: true, kept: true }).expect(200);
  expect((await listed(maren))[0]).toMatchObject({ id, read: true, kept: true });
  expect(await titled(tobiah, 'Report cards')).toMatchObject({ read: false, kept: false });
  await maren.patch(pathOf('keep', id)).send({ kept: false, archived: true }).expect(200);
  expect(await titled(maren, 'Report cards')).toMatchObject({ read: true, kept: false, archived: true });
  await maren.patch(pathOf('keep', id)).send({}).expect(400);
});

it('what is kept stays in sight, however much is newer', async () => {
  const kept = await titled(maren, 'Lamp night');
  const keep = (on: boolean) => maren.patch(pathOf('keep', kept.id)).send({ kept: on }).expect(200);
  await keep(true);
  await world.db.raw(
    `insert into announcements (source_id, external_id, school_id, title, text, posted_at)
     select source_id, 'newer ' || n, school_id, 'Newer ' || n, text, posted_at + n * interval '1 minute'
       from announcements, generate_series(1, 61) n where title = 'Library books'`,
  );
  const seen = await listed(maren);
  expect(seen[0]).toMatchObject({ id: kept.id, kept: true });
  expect(seen.filter(({ title }) => title.startsWith('Newer'))).toHaveLength(60);
  expect((await listed(tobiah)).map(({ title }) => title)).not.toContain('Lamp night');
  await world.db('announcements').where('title', 'like', 'Newer %').delete();
  await keep(false);
});

describe('as the days go by', () => {
  const askedOf = async (agent: Agent) =>
    (await agent.get(outlookRoutes.brief.path).expect(200)).body.matters
      .filter(({ kind }: { kind: string }) => kind === 'asked')
      .map(({ title, helpers }: { title: string; helpers: boolean }) => [title, helpers]);

  it('comes to the Brief three days before its last day, until somebody has answered or it is put away', async () => {
    expect(await askedOf(maren)).toEqual([]);
    await world.moveTo('2026-10-28T12:00:00Z');
    expect(await askedOf(maren)).toEqual([
      ['Rock pool morning', false],
      ['Helpers for the launch', true],
    ]);
    const slip = await titled(maren, 'Rock pool morning');
    const done = await answer(maren, slip, 'pet', { version: 0, answer: { kind: 'form' } }).expect(200);
    // A form goes to school on paper.
    expect(done.body.answers).toEqual([expect.objectContaining({ threadId: null, letter: null })]);
    const helpers = await titled(tobiah, 'Helpers for the launch');
    await tobiah.patch(pathOf('keep', helpers.id)).send({ archived: true }).expect(200);
    expect(await askedOf(tobiah)).toEqual([]);
    expect(await askedOf(maren)).toEqual([['Helpers for the launch', true]]);
  });

  it('takes no answer once it is over, or taken back', async () => {
    const launch = await titled(maren, 'When should we launch?');
    expect(launch.open).toBe(false);
    const late = { version: 2, answer: { kind: 'choice', choice: 'After lunch' } };
    expect((await answer(maren, launch, 'caspian', late).expect(409)).body.code).toBe('too-late');
    const helpers = await titled(maren, 'Helpers for the launch');
    await world.db('announcements').where({ id: helpers.id }).update({ gone: true });
    const gone = { version: 0, answer: { kind: 'yes-no', yes: true } };
    expect((await answer(maren, helpers, 'caspian', gone).expect(409)).body.code).toBe('too-late');
    expect(await titled(maren, 'Helpers for the launch')).toMatchObject({ takenBack: true, open: false });
    expect(await askedOf(maren)).toEqual([]);
  });
});
