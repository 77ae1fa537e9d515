import type { Agent } from 'supertest';
import { contactRoutes, noteRoutes, type Note, type Wants } from '@cadro/contract';
import { World } from '../testing/world';

let world: World;
let maren: Agent;
let tobiah: Agent;
let studentId: string;
beforeAll(async () => {
  world = await World.read('once');
  await world.household('aldervane', [
    { name: 'maren', children: ['caspian', 'isolde'] },
    { name: 'tobiah', children: ['caspian'] },
    { name: 'ottoline', role: 'look-only', children: ['caspian'] },
  ]);
  await world.household('elsewhere', [{ name: 'stranger', children: ['caspian'] }]);
  [maren, tobiah] = [await world.signedIn('maren'), await world.signedIn('tobiah')];
  studentId = world.student('caspian');
});
afterAll(() => world.stop());

const write = async (text: string, more: object = {}, agent = maren): Promise<Note> =>
  (
    await agent
      .post(noteRoutes.write.path)
      .send({ studentId, on: '2026-10-20', text, shared: true, ...more })
      .expect(201)
  ).body;
const list = async (agent: Agent, query = ''): Promise<string[]> =>
  (await agent.get(`${noteRoutes.list.path}${query}`).expect(200)).body.notes.map(({ text }: Note) => text);
const pathOf = ({ id }: Note): string => noteRoutes.change.path.replace(':noteId', id);

it('stands by its day, for who shares it and for nobody else', async () => {
  const courseId = await world.courseId('boats', 'millrace');
  await write('Slept badly before the quiz', { on: '2026-10-19', shared: false });
  await write('Says the shed is too cold', { on: '2026-10-21', courseId });
  await write('Isolde wants to stop rowing', { studentId: world.student('isolde') });
  await write('He read to Pet', { on: '2026-10-21' }, tobiah);
  expect(await list(maren)).toEqual([
    ...[
      'He read to Pet',
      'Says the shed is too cold',
      'Isolde wants to stop rowing',
      'Slept badly before the quiz',
    ],
  ]);
  expect(await list(tobiah)).toEqual(['He read to Pet', 'Says the shed is too cold']);
  expect(await list(await world.signedIn('ottoline'))).toEqual([
    'He read to Pet',
    'Says the shed is too cold',
  ]);
  expect(await list(await world.signedIn('stranger'))).toEqual([]);
  expect(await list(maren, `?courseId=${courseId}`)).toEqual(['Says the shed is too cold']);
});

it.each([
  ['a word', 'shed', 1],
  ['two words in any order', 'cold SHED', 1],
  ['an accent that is not typed', 'malaga', 1],
  ['an accent that is', 'Málaga', 1],
  ['what would be a pattern', '%', 0],
  ['words that stand in no one note', 'shed rowing', 0],
])('is found by %s', async (_name, q, count) => {
  if (!(await list(maren)).some((text) => text.startsWith('Málaga')))
    await write('Málaga trip: bring a towel');
  expect(await list(maren, `?q=${encodeURIComponent(q)}`)).toHaveLength(count);
});

it('is changed and thrown away by who wrote it alone', async () => {
  const note = await write('First words');
  await tobiah.patch(pathOf(note)).send({ version: 1, text: 'Mine' }).expect(404);
  await tobiah.delete(pathOf(note)).expect(404);
  const changed = await maren.patch(pathOf(note)).send({ version: 1, text: 'Second words' }).expect(200);
  expect(changed.body).toMatchObject({ text: 'Second words', version: 2, mine: true });
  const slower = await maren.patch(pathOf(note)).send({ version: 1, text: 'Third words' }).expect(409);
  expect(slower.body).toMatchObject({
    ...{ code: 'edited-meanwhile', current: { text: 'Second words' }, yours: { text: 'Third words' } },
  });
  await maren.delete(pathOf(note)).expect(204);
  expect(await list(maren)).not.toContain('Second words');
});

it.each([
  ['a course of another child', async () => ({ courseId: await world.courseId('kelp', 'gannet-head') }), 404],
  ['no words', () => ({ text: '' }), 400],
  ['no day', () => ({ on: 'today' }), 400],
])('is not written about %s', async (_name, more, status) => {
  await maren
    .post(noteRoutes.write.path)
    .send({ studentId, on: '2026-10-20', text: 'T', shared: true, ...(await more()) })
    .expect(status);
});

it('says what a teacher wants: their own words, what the record shows, and the family’s', async () => {
  const { contacts } = (await maren.get(contactRoutes.contacts.path.replace(':studentId', studentId))).body;
  const thornwick = contacts.find(({ name }: { name: string }) => name === 'Wren Thornwick').id as string;
  const path = noteRoutes.wants.path.replace(':studentId', studentId).replace(':teacherId', thornwick);
  const before: Wants = (await maren.get(path).expect(200)).body;
  expect(before).toMatchObject({
    teacher: { name: 'Wren Thornwick' },
    habits: expect.stringContaining('blue tray'),
    ways: { assignments: expect.any(Number), gradedDays: expect.any(Number), answeredDays: null, letters: 0 },
    ours: [],
  });
  expect(before.ways.assignments).toBeGreaterThan(5);
  const say = (text: string, version: number, agent = maren) =>
    agent.patch(path).send({ aspect: 'replies', text, version });
  expect((await say('On Fridays, shortly', 0).expect(200)).body.ours).toMatchObject([
    { aspect: 'replies', text: 'On Fridays, shortly', author: 'maren', version: 1 },
  ]);
  expect((await say('Never on Mondays', 0, tobiah).expect(409)).body).toMatchObject({
    ...{ current: { text: 'On Fridays, shortly' }, yours: { text: 'Never on Mondays' } },
  });
  expect((await say('On Fridays, in a line', 1, tobiah).expect(200)).body.ours).toMatchObject([
    { text: 'On Fridays, in a line', author: 'tobiah', version: 2 },
  ]);
  expect((await say('', 2).expect(200)).body.ours).toEqual([]);
  const office = contacts.find(({ kind }: { kind: string }) => kind === 'office').id as string;
  await maren.get(path.replace(thornwick, office)).expect(404);
});
