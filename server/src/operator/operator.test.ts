import {
  allRoutes,
  doorRoutes,
  gradebookRoutes,
  householdRoutes,
  operatorRoutes as routes,
} from '@cadro/contract';
import type { Agent } from 'supertest';
import { World } from '../testing/world';
import { addOperator } from './signIn';
import { endOperator } from './store';

const password = 'seven lamps along the breakwater';
let world: World;
let maren: Agent;
let studentId: string;
let agentOfTable: Agent | undefined;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['caspian'] },
    { name: 'tobiah', children: ['caspian'] },
  ]);
  maren = await world.signedIn('maren');
  studentId = world.student('caspian');
  await addOperator(world, 'Sable', password);
});
afterAll(() => world.stop());
beforeEach(() => world.db('login_tries').delete());

const signIn = (agent: Agent, name = 'Sable', secret = password) =>
  agent.post(routes.signIn.path).send({ name, password: secret });
async function operator(): Promise<Agent> {
  const agent = world.nobody;
  await signIn(agent).expect(204);
  return agent;
}
const at = (path: string, ids: Record<string, string> = {}): string =>
  Object.entries({ studentId, ...ids }).reduce((whole, [name, id]) => whole.replace(`:${name}`, id), path);
const sees = async (agent: Agent): Promise<number> =>
  (await agent.get(at(gradebookRoutes.course.path, { courseId: await world.courseId('boats', 'millrace') })))
    .status;

describe('the sign-in', () => {
  it('is its own: whoever was signed in there is so no more, and an operator is nobody of a family', async () => {
    const agent = await world.signedIn('tobiah');
    await signIn(agent).expect(204);
    await agent.get(householdRoutes.me.path).expect(401);
    await agent.get(routes.state.path).expect(200);
    await agent.delete(routes.signOut.path).expect(204);
    await agent.get(routes.state.path).expect(401);
    await maren.get(routes.state.path).expect(401);
  });

  it.each([
    ['a wrong password', 'Sable', 'wrong'],
    ['an unknown name', 'Nobody', password],
  ])('is refused alike for %s, and asks for patience', async (_what, name, secret) => {
    const agent = world.nobody;
    for (let tries = 0; tries < 5; tries++) await signIn(agent, name, secret).expect(401);
    // The sixth is still asked; then one waits, whatever one says.
    await signIn(agent, name, secret).expect(401);
    const { headers } = await signIn(agent, name, password).expect(429);
    expect(Number(headers['retry-after'])).toBeGreaterThan(0);
  });

  it('is over for who is operator no longer, from the next request on', async () => {
    await addOperator(world, 'Jib', password);
    const agent = world.nobody;
    await signIn(agent, 'Jib').expect(204);
    expect(await endOperator(world.db, 'Jib', await world.clock.now())).toBe(true);
    await agent.get(routes.state.path).expect(401);
    await signIn(agent, 'Jib').expect(401);
    expect(await endOperator(world.db, 'Jib', await world.clock.now())).toBe(false);
  });

  it('takes no password that is easily guessed', async () => {
    await expect(addOperator(world, 'Sable', 'sable2026')).rejects.toMatchObject({ code: 'weak-password' });
  });

  it('is nowhere where the place is switched off', async () => {
    const agent = await operator();
    const { config } = world as unknown as { config: { operatorPage: boolean } };
    config.operatorPage = false;
    try {
      await signIn(world.nobody).expect(404);
      await agent.get(routes.state.path).expect(404);
    } finally {
      config.operatorPage = true;
    }
  });
});

const ofPeople = allRoutes.filter(({ access }) => access === 'signed-in');
it.each(ofPeople.map(({ method, path }) => [method, path] as const))(
  'an operator is asked to sign in as somebody: %s %s',
  async (method, path) => {
    agentOfTable ??= await operator();
    const address = path.replace(/:studentId/g, studentId).replace(/:\w+/g, studentId);
    await agentOfTable[method](address).expect(401);
  },
);

describe('what it tells', () => {
  it('is how all is doing, and no grade, comment or letter of anybody', async () => {
    const agent = await operator();
    const { body, text } = await agent.get(routes.state.path).expect(200);
    expect(body).toMatchObject({ name: 'Sable', objections: [], restrictions: [] });
    expect((body.sources as { name: string; readAt: string }[]).map(({ name }) => name).sort()).toEqual(
      (await world.db('sources').pluck('name')).sort(),
    );
    expect((body.sizes as { table: string }[]).length).toBe(12);
    const child = await agent.get(at(routes.child.path)).expect(200);
    expect(child.body.people).toMatchObject([{ role: 'guardian' }, { role: 'guardian' }]);
    const words = await world.db('comments').where({ student_id: studentId }).pluck('text');
    expect(words.length).toBeGreaterThan(5);
    for (const word of words as string[]) expect(text + child.text).not.toContain(word.slice(0, 30));
    expect(child.text).not.toMatch(/"(earned|figure|letter)"/);
  });

  it('finds children by a part of their name', async () => {
    const agent = await operator();
    const found = async (name: string): Promise<string[]> =>
      (await agent.get(routes.children.path).query({ name }).expect(200)).body.children.map(
        ({ givenName }: { givenName: string }) => givenName,
      );
    expect(await found('aldervane')).toEqual(expect.arrayContaining(['Caspian', 'Isolde', 'Pet']));
    expect(await found('n ald')).toEqual(['Caspian']);
    expect(await found('%')).toEqual([]);
    await agent.get(at(routes.child.path, { studentId: world.student('isolde') })).expect(200);
    const nobody = '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6';
    await agent.get(at(routes.child.path, { studentId: nobody })).expect(404);
  });
});

describe('what it does', () => {
  it('adds a school and has it read', async () => {
    const agent = await operator();
    const school = { name: 'Skerry', baseUrl: 'http://127.0.0.1:9/skerry', clientId: 'c', clientSecret: 's' };
    await agent.post(routes.addSource.path).send(school).expect(204);
    const { body } = await agent.get(routes.state.path);
    const own = (body.sources as { id: string; name: string }[]).find(({ name }) => name === 'Skerry');
    const queue = (body.queue as { task: string }[]).map(({ task }) => task);
    expect(queue).toContain('syncSource');
    await agent.post(at(routes.readSource.path, { sourceId: own?.id ?? '' })).expect(202);
    await agent.post(at(routes.readSource.path, { sourceId: studentId })).expect(404);
    await world.db('sources').where({ id: own?.id }).delete();
  });

  it('gives out a code, once in the clear, that lets a guardian in', async () => {
    const agent = await operator();
    const { body } = await agent
      .post(routes.codes.path)
      .send({ studentIds: [studentId], days: 30 })
      .expect(201);
    const [{ code, address }] = body.codes as { code: string; address: string }[] as [
      { code: string; address: string },
    ];
    expect(address).toContain(`/new#${code}`);
    const look = await world.nobody.post(doorRoutes.look.path).send({ code }).expect(200);
    expect(look.body).toMatchObject({ issuer: 'school', children: [{ givenName: 'Caspian' }] });
    await agent
      .post(routes.codes.path)
      .send({ studentIds: [studentId, world.student('isolde').replace(/^./, 'f')], days: 30 })
      .expect(404);
  });

  it('holds something back and lets it go, and ends a link, each from the next request on', async () => {
    const agent = await operator();
    const courseId = await world.courseId('boats', 'millrace');
    const hold = (body: object) => agent.post(at(routes.restrict.path)).send(body);
    await hold({ what: 'course' }).expect(400);
    await hold({ what: 'comments', courseId }).expect(400);
    await hold({ what: 'course', courseId: studentId }).expect(404);
    await hold({ what: 'comments', personId: studentId }).expect(404);
    await hold({ what: 'course', courseId }).expect(204);
    expect(await sees(maren)).toBe(404);
    const { body } = await agent.get(routes.state.path);
    expect(body.restrictions).toMatchObject([{ child: 'Caspian', what: 'course', person: null }]);
    const restrictionId = body.restrictions[0].id as string;
    await agent.delete(at(routes.lift.path, { restrictionId })).expect(204);
    await agent.delete(at(routes.lift.path, { restrictionId })).expect(404);
    expect(await sees(maren)).toBe(200);

    const personId = await world.personId('maren');
    await agent.delete(at(routes.end.path, { personId })).expect(204);
    expect(await sees(maren)).toBe(404);
    await agent.delete(at(routes.end.path, { personId })).expect(404);
    await agent.post(at(routes.restore.path, { personId })).expect(404);
  });
});
