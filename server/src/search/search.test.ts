import type { Agent } from 'supertest';
import { followUpRoutes, messageRoutes, noteRoutes, searchRoutes, type Found } from '@cadro/contract';
import { World } from '../testing/world';

let world: World;
let maren: Agent;
beforeAll(async () => {
  world = await World.read('once');
  await world.household('aldervane', [
    { name: 'maren', children: ['caspian', 'isolde'] },
    { name: 'tobiah', children: ['caspian'] },
    { name: 'caspian', role: 'student', children: ['caspian'] },
  ]);
  await world.household('elsewhere', [{ name: 'stranger', children: ['caspian'] }]);
  maren = await world.signedIn('maren');
  const studentId = world.student('caspian');
  const { teachers } = (await maren.get(messageRoutes.teachers.path.replace(':studentId', studentId))).body;
  const letter = {
    studentId,
    teacherId: teachers[0].id,
    subject: 'The seed jar',
    text: 'Was the jar of años found?',
  };
  await maren.post(messageRoutes.send.path).send(letter).expect(202);
  await maren
    .post(followUpRoutes.create.path)
    .send({ studentId, topic: 'other', title: 'Tidy the desk', note: 'He keeps a seed jar under it' })
    .expect(201);
  const note = { studentId, on: '2026-10-20', text: 'Lost the jar again', shared: false };
  await maren.post(noteRoutes.write.path).send(note).expect(201);
});
afterAll(() => world.stop());

const search = async (q: string, agent = maren): Promise<Found[]> =>
  (await agent.get(`${searchRoutes.search.path}?q=${encodeURIComponent(q)}`).expect(200)).body.found;
const kinds = async (q: string, agent = maren): Promise<string[]> =>
  (await search(q, agent)).map(({ kind }) => kind).sort();

it.each([
  ['a word of several places', 'jar', ['follow-up', 'letter', 'note']],
  ['two words, anywhere in one thing', 'jar SEED', ['follow-up', 'letter']],
  ['words without their accents', 'anos', ['letter']],
  ['what a school announced', 'helpers launch', ['announcement']],
  ['what stands nowhere', 'zeppelin', []],
  ['nothing but blanks', '  ', []],
  ['what would be a pattern', '_a_', []],
])('finds %s', async (_name, q, expected) => expect(await kinds(q)).toEqual(expected));

it.each([
  ['an assignment by its title', 'keel model', 'assignment', 'Keel model', /^Boat-building$/],
  ['a course by its title', 'boat-building', 'course', 'Boat-building', /^Wren Thornwick$/],
  ['a teacher by the name', 'thornwick', 'teacher', 'Wren Thornwick', /Boat-building/],
  [
    'what a teacher has written',
    'three-quarters credit',
    'comment',
    'Wren Thornwick, Keel model',
    /October 27/,
  ],
] as const)('finds %s, and where it stands', async (_name, q, kind, title, excerpt) => {
  const found = (await search(q)).find((each) => each.kind === kind);
  expect(found).toMatchObject({ title, studentId: world.student('caspian') });
  expect(found?.excerpt).toMatch(excerpt);
  expect(found?.courseId === null).toBe(kind === 'teacher');
});

it('finds for each what is theirs to read', async () => {
  expect(await kinds('jar', await world.signedIn('tobiah'))).toEqual(['follow-up', 'letter']);
  for (const other of ['stranger', 'caspian'])
    expect(await kinds('jar', await world.signedIn(other))).toEqual([]);
  const [found] = await search('helpers launch', await world.signedIn('stranger'));
  expect(found).toMatchObject({ kind: 'announcement', studentId: world.student('caspian') });
  expect(found?.excerpt).toMatch(/four adults/);
});
