import { draftRoutes, followUpRoutes, type KeptDraft } from '@cadro/contract';
import type { Agent } from 'supertest';
import { World } from '../testing/world';

/* What is begun is kept for the person who began it, until it is sent or thrown away. */
let world: World;
let maren: Agent;
let tobiah: Agent;
let letter: KeptDraft;

beforeAll(async () => {
  world = await World.read('once');
  await world.household('here', [
    { name: 'maren', children: ['isolde'] },
    { name: 'tobiah', children: ['isolde'] },
    { name: 'ottoline', role: 'look-only', children: ['isolde'] },
  ]);
  maren = await world.signedIn('maren');
  tobiah = await world.signedIn('tobiah');
  letter = {
    ...{ key: 'letter:1', studentId: world.student('isolde'), kind: 'letter', title: 'Reef survey' },
    ...{ place: '/talk/write', fields: { subject: 'The survey', text: 'May it' } },
  };
});
afterAll(() => world.stop());

const kept = async (agent: Agent) =>
  (await agent.get(draftRoutes.drafts.path).expect(200)).body.drafts as KeptDraft[];
const keep = (draft: object, agent = maren) => agent.post(draftRoutes.keep.path).send(draft);

it('is kept in its last version, for its writer alone', async () => {
  await keep(letter).expect(204);
  await keep({ ...letter, fields: { ...letter.fields, text: 'May it still come?' } }).expect(204);
  expect((await kept(maren)).map(({ key, fields }) => [key, fields.text])).toEqual([
    ['letter:1', 'May it still come?'],
  ]);
  expect(await kept(tobiah)).toEqual([]);
});

it('is thrown away by its writer, and by nobody else', async () => {
  await tobiah.post(draftRoutes.drop.path).send({ key: 'letter:1' }).expect(204);
  expect(await kept(maren)).toHaveLength(1);
  await maren.post(draftRoutes.drop.path).send({ key: 'letter:1' }).expect(204);
  expect(await kept(maren)).toEqual([]);
});

it('keeps sixty, the latest', async () => {
  for (let nth = 0; nth < 62; nth++) {
    await world.moveTo(new Date(Date.parse('2026-10-21T20:00:00Z') + nth * 1000).toISOString());
    await keep({ ...letter, key: `letter:${nth}` }).expect(204);
  }
  const keys = (await kept(maren)).map(({ key }) => key);
  expect([keys.length, keys[0], keys.at(-1)]).toEqual([60, 'letter:61', 'letter:2']);
});

it.each<[string, object, number]>([
  ['who may only look', {}, 403],
  ['no such child', { studentId: '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6' }, 404],
])('refuses %s', async (_name, change, status) => {
  const agent = status === 403 ? await world.signedIn('ottoline') : maren;
  await keep({ ...letter, ...change }, agent).expect(status);
});

it.each<[string, object]>([
  ['a place outside of the app', { place: 'https://elsewhere.example/' }],
  ['a place on another host', { place: '//elsewhere.example/' }],
  ['an unknown kind', { kind: 'poem' }],
  ['a field too long', { fields: { text: 'x'.repeat(20_001) } }],
  ['a field that no form has', { fields: { other: 'x' } }],
])('refuses %s', async (_name, change) => {
  await keep({ ...letter, ...change }).expect(400);
});

it('what was taken in hand by mistake is undone while nothing has come of it', async () => {
  const take = async () =>
    (
      await maren
        .post(followUpRoutes.create.path)
        .send({ studentId: world.student('isolde'), topic: 'attendance', title: 'Attendance' })
        .expect(201)
    ).body as { id: string; version: number; undoable: boolean };
  const at = (id: string) => followUpRoutes.undo.path.replace(':followUpId', id);
  const first = await take();
  expect(first.undoable).toBe(true);
  await maren.delete(at(first.id)).expect(204);
  await maren.delete(at(first.id)).expect(404);
  const second = await take();
  await tobiah
    .patch(followUpRoutes.change.path.replace(':followUpId', second.id))
    .send({ version: second.version, note: 'I ask her tonight.' })
    .expect(200);
  const { body } = await maren.delete(at(second.id)).expect(409);
  expect(body).toMatchObject({ code: 'edited-meanwhile', current: { id: second.id, undoable: false } });
});
