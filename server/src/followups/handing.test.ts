import { followUpRoutes, outlookRoutes, type FollowUp, type Matter } from '@cadro/contract';
import type { Agent } from 'supertest';
import { World } from '../testing/world';

/* A follow-up between two guardians: handed over with a word, accepted or given back, and its list. */
let world: World;
let maren: Agent;
let tobiah: Agent;
let tobiahId: string;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['caspian', 'isolde'] },
    { name: 'tobiah', children: ['caspian'] },
    { name: 'ottoline', role: 'look-only', children: ['caspian'] },
  ]);
  await world.household('elsewhere', [{ name: 'apart', children: ['caspian'] }]);
  [maren, tobiah] = [await world.signedIn('maren'), await world.signedIn('tobiah')];
  tobiahId = await world.personId('tobiah');
});
afterAll(() => world.stop());

const begin = async (title: string, child = 'caspian'): Promise<FollowUp> =>
  (
    await maren
      .post(followUpRoutes.create.path)
      .send({ studentId: world.student(child), title, lookAgainOn: '2026-10-21' })
      .expect(201)
  ).body;
const change = (agent: Agent, { id, version }: FollowUp, what: object) =>
  agent.patch(followUpRoutes.change.path.replace(':followUpId', id)).send({ version, ...what });
const read = async (agent: Agent, { id }: FollowUp): Promise<FollowUp> =>
  (await agent.get(followUpRoutes.read.path.replace(':followUpId', id)).expect(200)).body;
const matters = async (agent: Agent): Promise<Matter[]> =>
  (await agent.get(outlookRoutes.brief.path).expect(200)).body.matters;
const told = ({ entries }: FollowUp) =>
  entries.map(({ kind, author, to, text }) =>
    [kind, author, to, text].filter((part) => part !== null).join(' '),
  );

it('is whoever’s who began it, handed to another with a word, and theirs once they say yes', async () => {
  const begun = await begin('Bedtime');
  expect(begun).toMatchObject({ owner: { kind: 'guardian', name: 'maren' }, asked: null, askedOfMe: false });
  expect(begun.others).toEqual([{ id: tobiahId, name: 'tobiah' }]);
  const handTo = { kind: 'guardian', id: tobiahId };
  const handed = (await change(maren, begun, { handTo, note: 'You put him to bed.' }).expect(200)).body;
  expect(handed).toMatchObject({
    owner: { kind: 'guardian', id: tobiahId, name: 'tobiah' },
    asked: { by: 'maren', word: 'You put him to bed.', state: 'asked' },
  });
  const asks = (await matters(tobiah)).filter(({ kind }) => kind === 'handed');
  expect(asks).toEqual([
    expect.objectContaining({
      title: 'Bedtime',
      by: 'maren',
      word: 'You put him to bed.',
      followUpId: begun.id,
    }),
  ]);
  // Who asked waits, and is told neither to answer nor, twice, to look again.
  expect((await matters(maren)).filter(({ kind }) => kind === 'handed')).toEqual([]);
  const seen = await read(tobiah, begun);
  expect(seen.askedOfMe).toBe(true);
  const accepted = (await change(tobiah, seen, { reply: 'accept' }).expect(200)).body;
  expect(accepted).toMatchObject({ asked: { state: 'accepted' }, askedOfMe: false });
  expect((await matters(tobiah)).filter(({ kind }) => kind === 'handed')).toEqual([]);
  expect(told(accepted)).toEqual([
    ...['noticed maren', 'look-again maren', 'handed maren tobiah', 'note maren You put him to bed.'],
    'accepted tobiah',
  ]);
});

it('goes back to who asked, with a word; and is everyone’s or the child’s where that is said', async () => {
  const begun = await begin('The swim bag');
  const handTo = { kind: 'guardian', id: tobiahId };
  const handed = (await change(maren, begun, { handTo }).expect(200)).body;
  const back = (await change(tobiah, handed, { reply: 'return', note: 'Not this week.' }).expect(200)).body;
  expect(back).toMatchObject({ owner: { name: 'maren' }, asked: null });
  expect(told(back).slice(-2)).toEqual(['returned tobiah maren', 'note tobiah Not this week.']);
  const shared = (await change(tobiah, back, { handTo: { kind: 'everyone' } }).expect(200)).body;
  expect(shared).toMatchObject({ owner: { kind: 'everyone' }, asked: null });
  const his = (await change(maren, shared, { handTo: { kind: 'child' } }).expect(200)).body;
  expect(his.owner).toEqual({ kind: 'child' });
  expect(told(his).slice(-2)).toEqual(['handed tobiah everyone', 'handed maren child']);
});

it.each<[string, () => object, string]>([
  ['who only looks', () => ({ handTo: { kind: 'guardian', id: 'ottoline' } }), '/handTo'],
  ['another household', () => ({ handTo: { kind: 'guardian', id: 'apart' } }), '/handTo'],
  ['an answer nobody asked for', () => ({ reply: 'accept' }), '/reply'],
])('is not handed to %s', async (_name, what, path) => {
  const begun = await begin('Shoes');
  const body = JSON.stringify(what());
  const ids = { ottoline: await world.personId('ottoline'), apart: await world.personId('apart') };
  const sent = JSON.parse(
    body.replace('ottoline', ids.ottoline).replace('"apart"', `"${ids.apart}"`),
  ) as object;
  const { body: problem } = await change(maren, begun, sent).expect(400);
  expect(problem.errors).toEqual([expect.objectContaining({ path })]);
});

it('names nobody of whom the other knows nothing: a child the other has no part in is handed to none', async () => {
  const begun = await begin('The lamp essay', 'isolde');
  expect(begun.others).toEqual([]);
  await change(maren, begun, { handTo: { kind: 'guardian', id: tobiahId } }).expect(400);
});

it('has a list that both tick off; who is slower is shown both', async () => {
  const begun = await begin('Raft race');
  const list = [
    { id: '1', text: 'Rope', done: false },
    { id: '2', text: 'Barrels', done: false },
  ];
  const listed = (await change(maren, begun, { checklist: list }).expect(200)).body;
  const ticked = list.map((each) => ({ ...each, done: each.id === '1' }));
  const answers = await Promise.all([
    change(tobiah, listed, { checklist: ticked }),
    change(maren, listed, { checklist: [...list, { id: '3', text: 'Paddles', done: false }] }),
  ]);
  expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
  const slower = answers.find(({ status }) => status === 409);
  expect(slower?.body.current.checklist).toHaveLength(slower?.body.yours.checklist.length === 3 ? 2 : 3);
  const now = await read(maren, begun);
  const done = (await change(tobiah, now, { checklist: ticked }).expect(200)).body;
  expect(done.checklist[0]).toEqual({ id: '1', text: 'Rope', done: true, by: 'tobiah' });
  expect(told(done)).toContain('checked tobiah Rope');
});
