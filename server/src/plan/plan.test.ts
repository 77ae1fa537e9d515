import { planRoutes, workRoutes, type Plan, type Work } from '@cadro/contract';
import type { Agent } from 'supertest';
import { World } from '../testing/world';

let world: World;
let maren: Agent;
let work: Work;
let studentId: string;

const at = (path: string, itemId = '') => path.replace(':studentId', studentId).replace(':itemId', itemId);
const idOf = (title: string) =>
  work.rows.find((row) => row.title === title && row.studentId === studentId)?.itemId ?? '';
const read = async (): Promise<Plan> => (await maren.get(at(planRoutes.read.path)).expect(200)).body as Plan;
const choose = (tasks: object[]) => maren.post(at(planRoutes.choose.path)).send({ tasks });
const change = (title: string, body: object) =>
  maren.patch(at(planRoutes.change.path, idOf(title))).send(body);
const eveningOf = (plan: Plan, title: string) => plan.tasks.find((task) => task.title === title)?.evening;

beforeAll(async () => {
  // Read from day to day, so that what came or was settled in between is known as such.
  world = await World.read('daily');
  await world.household('here', [{ name: 'maren', children: ['isolde', 'caspian'] }]);
  maren = await world.signedIn('maren');
  work = (await maren.get(workRoutes.work.path).expect(200)).body as Work;
  studentId = world.student('caspian');
});
afterAll(() => world.stop());

it('begins with a usual week, and takes the household’s own', async () => {
  const plan = await read();
  expect(plan.evenings).toHaveLength(14);
  expect(plan.evenings[0]).toEqual({ date: '2026-10-21', minutes: 60, exception: false });
  const pattern = [0, 30, 30, 30, 30, 0, 0];
  const exceptions = [{ date: '2026-10-22', minutes: 90 }];
  const set = (await maren.post(at(planRoutes.evenings.path)).send({ pattern, exceptions }).expect(200))
    .body as Plan;
  expect(set.pattern).toEqual(pattern);
  expect(set.evenings.slice(0, 2)).toEqual([
    { date: '2026-10-21', minutes: 30, exception: false },
    { date: '2026-10-22', minutes: 90, exception: true },
  ]);
  const back = [{ date: '2026-10-22', minutes: null }];
  const undone = (await maren.post(at(planRoutes.evenings.path)).send({ exceptions: back }).expect(200))
    .body as Plan;
  expect(undone.evenings[1]).toEqual({ date: '2026-10-22', minutes: 30, exception: false });
});

it('places what was chosen so that it gains most, and tells what a change costs', async () => {
  await choose([
    { itemId: idOf('Keel model'), minutes: 30 },
    { itemId: idOf('Harbour map key'), minutes: 25 },
  ]).expect(200);
  expect((await read()).best).toBeNull();
  const plan = (await maren.post(at(planRoutes.propose.path)).expect(200)).body as Plan;
  expect([eveningOf(plan, 'Keel model'), eveningOf(plan, 'Harbour map key')].sort()).toEqual([
    '2026-10-21',
    '2026-10-22',
  ]);
  expect(plan.best?.proven).toBe(true);
  expect(plan.best?.gain).toBeCloseTo(
    plan.tasks.reduce((sum, { gain }) => sum + gain, 0),
    9,
  );
  const moved = (await change('Keel model', { evening: null }).expect(200)).body as Plan;
  expect(eveningOf(moved, 'Keel model')).toBeNull();
  expect(moved.best).toEqual(plan.best);
  await change('Keel model', { evening: '2026-10-22' }).expect(200);
});

it('keeps of each task what it is, how long it takes and when it may be done', async () => {
  await choose([{ itemId: idOf('Safe crossings: practice') }]).expect(200);
  const { tasks, today } = await read();
  expect(today).toBe('2026-10-21');
  const row = (title: string) => work.rows.find((each) => each.itemId === idOf(title));
  expect(tasks.find(({ title }) => title === 'Keel model')).toEqual({
    ...{ itemId: idOf('Keel model'), courseId: row('Keel model')?.courseId, title: 'Keel model' },
    ...{ courseTitle: 'Boat-building', kind: 'overdue', minutes: 30, deadline: '2026-10-27' },
    ...{ notBefore: null, evening: '2026-10-22', movedFrom: null, doneAt: null },
    gain: expect.closeTo(((row('Keel model')?.impact ?? 0) / 4) * 100, 6) as number,
  });
  // To come: from the day it was given out until it is due; half the usual time, as the model was told to take.
  expect(tasks.find(({ title }) => title === 'Safe crossings: practice')).toMatchObject({
    ...{ kind: null, minutes: 15, evening: null },
    ...{ deadline: '2026-10-21', notBefore: '2026-10-20' },
  });
});

it('remembers how long a guardian said it takes', async () => {
  await change('Safe crossings: practice', { minutes: 45 }).expect(200);
  await maren.delete(at(planRoutes.drop.path, idOf('Safe crossings: practice'))).expect(200);
  await choose([{ itemId: idOf('Safe crossings: practice') }]).expect(200);
  expect((await read()).tasks.find(({ title }) => title === 'Safe crossings: practice')?.minutes).toBe(45);
});

it('forgets the best once something could make it another, and only then', async () => {
  const title = 'Safe crossings: practice';
  const changes: readonly (readonly [boolean, () => Promise<unknown>])[] = [
    [true, () => change(title, { evening: '2026-10-21' }).expect(200)],
    [true, () => change(title, {}).expect(200)],
    [false, () => change(title, { minutes: 20 }).expect(200)],
    [false, () => change(title, { done: true }).expect(200)],
    [false, () => change(title, { done: false }).expect(200)],
    [false, () => choose([{ itemId: idOf(title), minutes: 15 }]).expect(200)],
    [false, () => maren.delete(at(planRoutes.drop.path, idOf(title))).expect(200)],
    [
      false,
      () =>
        maren
          .post(at(planRoutes.evenings.path))
          .send({ exceptions: [{ date: '2026-10-23', minutes: 15 }] })
          .expect(200),
    ],
  ];
  const kept: boolean[] = [];
  for (const [, make] of changes) {
    await maren.post(at(planRoutes.propose.path)).expect(200);
    await make();
    kept.push((await read()).best !== null);
  }
  expect(kept).toEqual(changes.map(([keeps]) => keeps));
});

it('lets what was not done move on, and what was done be', async () => {
  await change('Harbour map key', { evening: '2026-10-21' }).expect(200);
  await change('Keel model', { evening: '2026-10-21' }).expect(200);
  await change('Harbour map key', { done: true }).expect(200);
  await world.moveTo('2026-10-22T19:40:00Z');
  const plan = await read();
  expect(plan.tasks.find(({ title }) => title === 'Keel model')).toMatchObject({
    movedFrom: '2026-10-21',
    evening: '2026-10-22',
  });
  expect(plan.tasks.find(({ title }) => title === 'Harbour map key')).toMatchObject({
    movedFrom: null,
    doneAt: '2026-10-21T19:40:00.000Z',
  });
  const dropped = (await maren.delete(at(planRoutes.drop.path, idOf('Keel model'))).expect(200)).body as Plan;
  expect(dropped.tasks.map(({ title }) => title)).toEqual(['Harbour map key']);
});

it.each([
  ['negative minutes', () => choose([{ itemId: idOf('Keel model'), minutes: -5 }]), 400],
  ['half a minute', () => choose([{ itemId: idOf('Keel model'), minutes: 2.5 }]), 400],
  ['nothing', () => choose([]), 400],
  ['ten thousand tasks', () => choose(Array(10_000).fill({ itemId: idOf('Keel model') }) as object[]), 413],
  ['forty-one tasks', () => choose(Array(41).fill({ itemId: idOf('Keel model') }) as object[]), 400],
  [
    'another child’s work',
    () => choose([{ itemId: work.rows.find((row) => row.title === 'Reef survey')?.itemId }]),
    404,
  ],
  ['work that is settled', () => choose([{ itemId: idOf('Seed log') }]), 404],
  ['an evening that is none', () => change('Harbour map key', { evening: '2026-02-30' }), 400],
  ['a task that was not chosen', () => change('Keel model', { done: true }), 404],
  [
    'a week of six days',
    () => maren.post(at(planRoutes.evenings.path)).send({ pattern: [0, 0, 0, 0, 0, 0] }),
    400,
  ],
])('refuses %s', async (_name, ask, status) => {
  const before = await read();
  expect((await ask()).status).toBe(status);
  expect(await read()).toEqual(before);
});
