import {
  allRoutes,
  doorRoutes,
  gradebookRoutes,
  householdRoutes,
  operatorRoutes as routes,
  type OperatorChild,
  type OperatorClass,
  type OperatorState,
} from '@cadro/contract';
import { parse } from 'csv-parse/sync';
import { generateSync } from 'otplib';
import type { Agent } from 'supertest';
import { unpacked } from '../testing/unpacked';
import { World } from '../testing/world';
import { addOperator } from './signIn';
import { endOperator } from './store';

const password = 'seven lamps along the breakwater';
let world: World;
let maren: Agent;
let studentId: string;
let agentOfTable: Agent | undefined;
/** The key in each operator's authenticator app. */
const keys = new Map<string, string>();
const adds = async (name: string): Promise<void> =>
  void keys.set(name, (await addOperator(world, name, password)).secret);
/** The code that it shows now, or so many half minutes later. */
const codeOf = (name: string, steps = 0): string =>
  generateSync({
    secret: keys.get(name) ?? keys.get('Sable') ?? '',
    epoch: Math.floor(world.wallAt.getTime() / 1000) + steps * 30,
  });
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['caspian'] },
    { name: 'tobiah', children: ['caspian'] },
  ]);
  maren = await world.signedIn('maren');
  studentId = world.student('caspian');
  await adds('Sable');
});
afterAll(() => world.stop());
/** As if a code had never been used. */
const forgetSteps = () => world.db('operators').update({ last_step: 0 });
beforeEach(async () => {
  await world.db('login_tries').delete();
  await forgetSteps();
});

const signIn = (agent: Agent, name = 'Sable', secret = password, code = codeOf(name)) =>
  agent.post(routes.signIn.path).send({ name, password: secret, code });
async function operator(): Promise<Agent> {
  const agent = world.nobody;
  await forgetSteps();
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
    ['a wrong password', 'Sable', 'wrong', undefined],
    ['an unknown name', 'Nobody', password, undefined],
    ['a wrong code', 'Sable', password, '000000'],
    ['no code', 'Sable', password, 'none'],
  ])('is refused alike for %s, and asks for patience', async (_what, name, secret, code) => {
    const agent = world.nobody;
    for (let tries = 0; tries < 5; tries++) await signIn(agent, name, secret, code).expect(401);
    // The sixth is still asked; then one waits, whatever one says.
    const sixth = await signIn(agent, name, secret, code).expect(401);
    expect(sixth.body.code).toBe('wrong-credentials');
    const { headers } = await signIn(agent, name, password).expect(429);
    expect(Number(headers['retry-after'])).toBeGreaterThan(0);
  });

  it('takes each code once, and none of a key that another has taken the place of', async () => {
    const code = codeOf('Sable', -1);
    await signIn(world.nobody, 'Sable', password, code).expect(204);
    await signIn(world.nobody, 'Sable', password, code).expect(401);
    const both = await Promise.all([signIn(world.nobody), signIn(world.nobody)]);
    expect(both.map(({ status }) => status).sort()).toEqual([204, 401]);
    await adds('Gaff');
    const before = codeOf('Gaff');
    await adds('Gaff');
    await signIn(world.nobody, 'Gaff', password, before).expect(401);
    await signIn(world.nobody, 'Gaff').expect(204);
    const stored = JSON.stringify(await world.db('operators').where({ name: 'Gaff' }).first());
    expect(stored).not.toContain(keys.get('Gaff'));
  });

  it('is over for who is operator no longer, from the next request on', async () => {
    await adds('Jib');
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
    expect(body).toMatchObject({ name: 'Sable', objections: [], restrictions: [], unmet: [] });
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
      .send({ studentIds: [studentId, '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6'], days: 30 })
      .expect(404);
  });

  it('gives out codes for a class, in a table and in letters, and each lets a guardian in', async () => {
    const agent = await operator();
    const { body } = await agent.get(routes.classes.path).expect(200);
    const { schoolName, year } = await world
      .db('student_profiles')
      .where({ student_id: studentId })
      .first<{ schoolName: string; year: string }>('school_name as schoolName', 'year');
    const own = (body.classes as OperatorClass[]).find(
      (each) => each.schoolName === schoolName && each.year === year,
    );
    expect(own?.children).toBeGreaterThan(1);
    const asks = (more: object) =>
      agent.post(routes.classCodes.path).send({ school: schoolName, days: 30, ...more });
    const files = await unpacked(asks({ year }).expect(201));
    expect(files.get('letters.pdf')?.subarray(0, 5).toString()).toBe('%PDF-');
    const rows = parse(files.get('codes.csv') ?? '', { columns: true, bom: true }) as Record<
      string,
      string
    >[];
    expect(rows).toHaveLength(own?.children ?? 0);
    const { code, address } = rows.find(({ student_id }) => student_id === studentId) ?? {};
    expect(address).toBe(`${world.config.publicUrl}/new#${code}`);
    const look = await world.nobody.post(doorRoutes.look.path).send({ code }).expect(200);
    expect(look.body).toMatchObject({ issuer: 'school', children: [{ givenName: 'Caspian' }] });
    const ofCourse = await unpacked(asks({ course: 'Boat-building' }).expect(201));
    const some = parse(ofCourse.get('codes.csv') ?? '', { columns: true, bom: true }) as object[];
    expect(some.length).toBeGreaterThan(0);
    await asks({ year: 'no such year' }).expect(404);
    await asks({ days: 0 }).expect(400);
  });

  it('says as whom the school names somebody, and whom it holds something back from and nobody is', async () => {
    const agent = await operator();
    const personId = await world.personId('tobiah');
    const source = await world.db('student_profiles').where({ student_id: studentId }).first('source_id');
    const said = { ...source, external_id: 'r1', student_id: studentId };
    await world.db('told_restrictions').insert({ ...said, what: 'comments', agent: 'agent-tobiah' });
    const state = async () => (await agent.get(routes.state.path).expect(200)).body as OperatorState;
    expect((await state()).unmet).toEqual([
      { studentId, child: 'Caspian', what: 'comments', course: null, person: 'Tobiah Aldervane' },
    ]);
    const child = (await agent.get(at(routes.child.path)).expect(200)).body as OperatorChild;
    expect(child.named.map(({ agent: id }) => id)).toContain('agent-tobiah');
    const names = (named: string | null, id = personId) =>
      agent.post(at(routes.nameAs.path, { personId: id })).send({ agent: named });
    await names('nobody').expect(404);
    await names('agent-tobiah', studentId).expect(404);
    await names('agent-tobiah').expect(204);
    const { unmet, restrictions } = await state();
    expect(unmet).toEqual([]);
    expect(restrictions).toMatchObject([{ child: 'Caspian', what: 'comments', person: 'tobiah' }]);
    const held = (await agent.get(at(routes.child.path)).expect(200)).body as OperatorChild;
    expect(held.people.map(({ name, withheld }) => [name, withheld])).toEqual([
      ['maren', []],
      ['tobiah', ['comments']],
    ]);
    await names(null).expect(204);
    expect((await state()).unmet).toHaveLength(1);
    await world.db('told_restrictions').delete();
    await world.db('restrictions').delete();
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
