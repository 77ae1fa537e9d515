import type { Agent } from 'supertest';
import { deskRoutes, followUpRoutes, outlookRoutes, type Desk, type FollowUp } from '@cadro/contract';
import { World } from '../testing/world';

let world: World;
let maren: Agent;
let caspian: Agent;
let studentId: string;
beforeAll(async () => {
  world = await World.read('once');
  await world.household('aldervane', [
    { name: 'maren', children: ['caspian', 'isolde'] },
    { name: 'tobiah', children: ['caspian'] },
    { name: 'caspian', role: 'student', children: ['caspian'] },
    { name: 'isolde', role: 'student', children: ['isolde'] },
  ]);
  [maren, caspian] = [await world.signedIn('maren'), await world.signedIn('caspian')];
  studentId = world.student('caspian');
});
afterAll(() => world.stop());

const pathOf = (id: string): string => followUpRoutes.read.path.replace(':followUpId', id);
const begin = async (more: object): Promise<FollowUp> =>
  (
    await maren
      .post(followUpRoutes.create.path)
      .send({ studentId, title: 'T', ...more })
      .expect(201)
  ).body;
const read = async (id: string): Promise<FollowUp> => (await maren.get(pathOf(id)).expect(200)).body;
const change = async (id: string, more: object, status = 200) =>
  (
    await maren
      .patch(pathOf(id))
      .send({ version: (await read(id)).version, ...more })
      .expect(status)
  ).body;
const titles = async (): Promise<string[]> =>
  (await maren.get(followUpRoutes.list.path)).body.followUps.map(({ title }: FollowUp) => title);

describe('what the child has', () => {
  const desk = async (agent = caspian): Promise<Desk> =>
    (await agent.get(deskRoutes.read.path.replace(':studentId', studentId)).expect(200)).body;
  const tick = (id: string, body: object, agent = caspian) =>
    agent.patch(deskRoutes.tick.path.replace(':studentId', studentId).replace(':followUpId', id)).send(body);

  it('stands on its desk without what was said about it, and comes back once the child has ticked it off', async () => {
    const { id } = await begin({
      topic: 'other',
      title: 'Varnish the model',
      note: 'He was upset on Sunday',
    });
    await tick(id, { done: true }).expect(404);
    const checklist = [
      { id: '1', text: 'Buy varnish', done: false },
      { id: '2', text: 'Two coats', done: false },
    ];
    await change(id, { handTo: { kind: 'child' }, checklist, lookAgainOn: '2026-10-30' });
    const [agreed] = (await desk()).agreed;
    expect(agreed).toMatchObject({ id, title: 'Varnish the model', by: '2026-10-30', doneAt: null });
    expect(JSON.stringify(await desk())).not.toContain('upset');
    await caspian.get(pathOf(id)).expect(404);

    const ticked = await tick(id, { checkId: '1', done: true }).expect(200);
    expect(ticked.body.agreed[0].checklist).toMatchObject([
      { text: 'Buy varnish', done: true, by: 'caspian' },
      { text: 'Two coats', done: false },
    ]);
    await tick(id, { checkId: '9', done: true }).expect(404);
    await tick(id, { done: true }).expect(200);
    const after = await read(id);
    expect(after).toMatchObject({
      lookAgainOn: '2026-10-21',
      childDoneAt: expect.any(String),
      step: 'noticed',
    });
    expect(after.checklist.every(({ done }) => done)).toBe(true);
    expect(
      after.entries.filter(({ kind }) => kind === 'ticked').map(({ author, text }) => [author, text]),
    ).toEqual([
      ...[
        ['caspian', 'Buy varnish'],
        ['caspian', 'Two coats'],
      ],
      ['caspian', 'Varnish the model'],
    ]);
    await tick(id, { done: false }).expect(200);
    expect(await read(id)).toMatchObject({ childDoneAt: null });
    await tick(id, { done: true }, maren).expect(403);
    await change(id, { step: 'settled' });
    expect((await desk()).agreed).toEqual([]);
  });

  it('is no sibling’s', async () => {
    const { id } = await begin({ topic: 'other', title: 'Tidy the shed' });
    await change(id, { handTo: { kind: 'child' } });
    await tick(id, { done: true }, await world.signedIn('isolde')).expect(404);
    await change(id, { step: 'settled' });
  });
});

describe('one of every week', () => {
  it('comes back in the next week once somebody has looked', async () => {
    const { id } = await begin({ topic: 'other', title: 'Pack the bag together' });
    const repeats = { weekday: 7, untilAtLeast: null };
    expect(await change(id, { repeats })).toMatchObject({ repeats, lookAgainOn: '2026-10-25' });
    expect(await change(id, { looked: true })).toMatchObject({ lookAgainOn: '2026-10-25', step: 'noticed' });
    expect(await change(id, { repeats: null })).toMatchObject({ repeats: null, lookAgainOn: '2026-10-25' });
    await change(id, { looked: true }, 400);
    await change(id, { step: 'settled' });
  });

  it.each([
    ['until a grade, about no course', { topic: 'other' }, { repeats: { weekday: 7, untilAtLeast: 80 } }],
    ['on an eighth day', { topic: 'other' }, { repeats: { weekday: 8, untilAtLeast: null } }],
    ['when it is graded, about no assignment', { topic: 'other' }, { lookAgainWhen: 'graded' }],
  ])('is refused %s', async (_name, about, wrong) => {
    const { id } = await begin(about);
    await change(id, wrong, 400);
    await change(id, { step: 'settled' });
  });
});

describe('begun twice, or by mistake', () => {
  it('two are made one, with one list and one story, and parted again', async () => {
    const first = await begin({ topic: 'other', title: 'The lamp essay', note: 'He has a plan' });
    const second = await begin({ topic: 'other', title: 'The essay, again', note: 'She said the same' });
    const list = (text: string) => ({ checklist: [{ id: '1', text, done: false }] });
    await change(first.id, list('Find the book'));
    await change(second.id, list('Ask for a day'));
    expect((await read(first.id)).beside.map(({ title }) => title)).toContain('The essay, again');
    await change(second.id, { mergeInto: first.id });
    const one = await read(first.id);
    expect(one.checklist.map(({ text }) => text)).toEqual(['Find the book', 'Ask for a day']);
    expect(one.merged).toMatchObject([{ id: second.id, title: 'The essay, again' }]);
    const said = one.entries.map(({ text }) => text);
    for (const words of ['He has a plan', 'She said the same', 'The essay, again'])
      expect(said).toContain(words);
    expect(await titles()).not.toContain('The essay, again');
    await change(first.id, { mergeInto: second.id }, 400);
    await change(first.id, { mergeInto: first.id }, 400);
    await change(second.id, { mergeInto: null });
    expect(await titles()).toContain('The essay, again');
    expect((await read(first.id)).merged).toEqual([]);
    for (const { id } of [first, second]) await change(id, { step: 'settled' });
  });

  it('one that something has come of is forgotten, and brought back as it stood', async () => {
    const itemId = await world.itemId('boats-keel-model', 'millrace');
    const { id } = await begin({ itemId, title: 'Keel model', step: 'agreed', note: 'Tomorrow' });
    await change(id, { note: 'Once more' });
    await maren.delete(pathOf(id)).expect(409);
    expect(await change(id, { forgotten: true })).toMatchObject({ forgotten: true, lookAgainOn: null });
    expect(await titles()).not.toContain('Keel model');
    const brief = JSON.stringify((await maren.get(outlookRoutes.brief.path)).body.inHand);
    expect(brief).not.toContain('Keel model');
    // Another about the same may be begun now, and then this one stays away.
    const other = await begin({ itemId, title: 'Keel model, this time' });
    await change(id, { forgotten: false }, 409);
    await change(other.id, { step: 'settled' });
    expect(await change(id, { forgotten: false })).toMatchObject({ forgotten: false, step: 'agreed' });
    await change(id, { step: 'settled' });
  });
});

it('comes back when its assignment is graded, and ends when the grade is reached', async () => {
  const items = await world
    .db('student_items')
    .where({ student_id: studentId, removed: false })
    .whereBetween('due_at', ['2026-10-21T20:00:00Z', '2026-10-24T00:00:00Z'])
    .select<{ item_id: string; title: string }[]>('item_id', 'title');
  const begun = [];
  for (const { item_id: itemId, title } of items) {
    const { id } = await begin({ itemId, title });
    await change(id, { lookAgainWhen: 'graded' });
    begun.push({ id, itemId });
  }
  const course = async (course: string, untilAtLeast: number): Promise<string> => {
    const courseId = await world.courseId(course, 'millrace');
    const { id } = await begin({ courseId, title: course });
    await change(id, { repeats: { weekday: 7, untilAtLeast } });
    return id;
  };
  const [reached, open] = [await course('boats', 0.5), await course('tides', 3.99)];
  await world.moveTo('2026-10-29T19:40:00Z');
  await world.syncAll();
  const graded = await world
    .db('student_items')
    .where({ student_id: studentId, status: 'scored' })
    .whereIn(
      'item_id',
      begun.map(({ itemId }) => itemId),
    )
    .pluck('item_id');
  expect(graded.length).toBeGreaterThan(0);
  for (const { id, itemId } of begun) {
    const { entries, lookAgainWhen, step } = await read(id);
    if (step === 'settled') continue;
    const came = entries.some(({ kind }) => kind === 'graded');
    expect([itemId, came, lookAgainWhen]).toEqual([
      itemId,
      graded.includes(itemId),
      graded.includes(itemId) ? null : 'graded',
    ]);
  }
  expect(await read(reached)).toMatchObject({ step: 'settled', outcome: { by: 'reached', outOf: 4 } });
  expect(await read(open)).toMatchObject({ step: 'noticed', outcome: null });
});
