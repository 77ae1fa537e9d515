import { householdRoutes, outlookRoutes } from '@cadro/contract';
import pino from 'pino';
import request from 'supertest';
import { buildServer } from '../main/app';
import { password, sessionCookieOf, World } from '../testing/world';

let world: World;
beforeAll(async () => {
  world = await World.start();
  await world.sync('millrace');
  await world.workOff();
  await world.learnStudents();
  await world.household('here', [{ name: 'maren', children: ['caspian'] }]);
});
afterAll(() => world.stop());

const asMaren = { email: 'maren@test.example', password };
const signIn = (body: object) => world.nobody.post(householdRoutes.signIn.path).send(body);

describe('signing in and out', () => {
  it('answers with who one is and whose records one may see', async () => {
    const { body } = await signIn({ email: 'maren@test.example', password }).expect(200);
    expect(body).toMatchObject({
      email: 'maren@test.example',
      language: 'en',
      demo: true,
      now: '2026-10-21T19:40:00.000Z',
      children: [{ givenName: 'Caspian', schoolName: 'Millrace Middle School', role: 'guardian' }],
    });
    expect(JSON.stringify(body)).not.toMatch(/password|hash/i);
  });

  it('does not care how the address is written', async () => {
    await signIn({ email: 'MAREN@test.example', password }).expect(200);
  });

  it.each([
    ['a wrong password', { email: 'maren@test.example', password: 'low-tide' }, 401, 'wrong-credentials'],
    ['an unknown address', { email: 'nobody@test.example', password }, 401, 'wrong-credentials'],
    ['no password', { email: 'maren@test.example' }, 400, 'bad-request'],
    ['an empty one', { email: 'maren@test.example', password: '' }, 400, 'bad-request'],
    ['an address that is none', { email: 'maren', password }, 400, 'bad-request'],
    [
      'more than was asked for, which changes nothing',
      { email: 'x@test.example', password, role: 'admin' },
      401,
      'wrong-credentials',
    ],
    ['another type', { email: ['maren@test.example'], password }, 400, 'bad-request'],
    [
      'a text of 10,000 characters',
      { email: 'maren@test.example', password: 'x'.repeat(10_000) },
      400,
      'bad-request',
    ],
  ])('refuses %s', async (_name, body, status, code) => {
    const answer = await signIn(body);
    expect([answer.status, answer.body.code]).toEqual([status, code]);
    expect(answer.headers['set-cookie']).toBeUndefined();
  });

  it('gives a new session at each sign-in, and forgets it at sign-out', async () => {
    const agent = request.agent(world.server.app);
    const cookie = async () =>
      sessionCookieOf(await agent.post(householdRoutes.signIn.path).send(asMaren).expect(200));
    const [first, second] = [await cookie(), await cookie()];
    expect(first).not.toBe(second);
    await world.nobody
      .get(householdRoutes.me.path)
      .set('cookie', first ?? '')
      .expect(401);
    await agent.get(householdRoutes.me.path).expect(200);
    await agent.delete(householdRoutes.signOut.path).expect(204);
    await agent.get(householdRoutes.me.path).expect(401);
    await world.nobody
      .get(householdRoutes.me.path)
      .set('cookie', second ?? '')
      .expect(401);
  });

  it('gives no cookie but where one signs in: a late answer of the session before is no way back to it', async () => {
    const agent = await world.signedIn('maren');
    const answer = await agent.get(householdRoutes.me.path).expect(200);
    expect(answer.headers['set-cookie']).toBeUndefined();
  });

  it('knows the session in every server process', async () => {
    const { db, clock, config } = world;
    const other = buildServer({ db, clock, config, log: pino({ level: 'silent' }) });
    const answer = await signIn({ email: 'maren@test.example', password }).expect(200);
    const cookie = sessionCookieOf(answer);
    await request(other.app).get(outlookRoutes.brief.path).set('cookie', cookie).expect(200);
    await other.close();
  });

  it('takes no cookie that it has not signed', async () => {
    await world.nobody
      .get(householdRoutes.me.path)
      .set('cookie', 'cadro.session=s%3Aguessed.AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA')
      .expect(401);
  });
});

describe('own settings', () => {
  it('keeps the language', async () => {
    const agent = await world.signedIn('maren');
    await agent.patch(householdRoutes.changeMe.path).send({ language: 'es' }).expect(200);
    expect((await (await world.signedIn('maren')).get(householdRoutes.me.path)).body.language).toBe('es');
    await agent.patch(householdRoutes.changeMe.path).send({ language: 'en' }).expect(200);
  });
  it.each([
    ['a language nobody has translated', { language: 'xx' }],
    ['none', {}],
  ])('refuses %s', async (_name, body) => {
    const agent = await world.signedIn('maren');
    await agent.patch(householdRoutes.changeMe.path).send(body).expect(400);
  });
});

it('writes no password, no name and no token into its log', async () => {
  const lines: string[] = [];
  const log = pino({ level: 'info' }, { write: (line: string) => void lines.push(line) });
  const { db, clock, config } = world;
  const server = buildServer({ db, clock, config, log });
  const agent = request.agent(server.app);
  await agent.post(householdRoutes.signIn.path).send({ email: 'maren@test.example', password }).expect(200);
  await agent.get(`/api/students/${world.student('caspian')}/teachers?name=Caspian`).expect(200);
  await server.close();
  expect(lines.length).toBeGreaterThanOrEqual(2);
  const all = lines.join('');
  for (const secret of [password, 'maren', 'Caspian', world.student('caspian'), 'cookie', 'cadro.session'])
    expect(all).not.toContain(secret);
  expect(all).toContain('"path":"/api/students/:studentId/teachers"');
});

describe('what the operator asks everybody to agree to', () => {
  it('is asked for once in each edition, and put down', async () => {
    const { db, clock, config } = world;
    const url = 'https://schools.example/consent';
    const withEdition = async <T>(
      version: string,
      use: (agent: ReturnType<typeof request.agent>) => Promise<T>,
    ) => {
      const server = buildServer({
        ...{ db, clock, log: pino({ level: 'silent' }) },
        config: { ...config, consent: { version, url } },
      });
      try {
        const agent = request.agent(server.app);
        expect(
          (await agent.post(householdRoutes.signIn.path).send(asMaren).expect(200)).body.consent,
        ).toEqual((await agent.get(householdRoutes.me.path)).body.consent);
        return await use(agent);
      } finally {
        await server.close();
      }
    };
    await withEdition('autumn', async (agent) => {
      const me = async () => (await agent.get(householdRoutes.me.path).expect(200)).body;
      expect(await me()).toMatchObject({ consent: { version: 'autumn', url }, agreed: null });
      await agent.post(householdRoutes.agree.path).send({ version: 'spring' }).expect(400);
      expect((await me()).agreed).toBeNull();
      const { body } = await agent.post(householdRoutes.agree.path).send({ version: 'autumn' }).expect(200);
      expect(body).toMatchObject({
        consent: null,
        agreed: { version: 'autumn', at: '2026-10-21T19:40:00.000Z' },
      });
    });
    await withEdition('winter', async (agent) => {
      const { body } = await agent.get(householdRoutes.me.path).expect(200);
      expect(body).toMatchObject({ consent: { version: 'winter' }, agreed: { version: 'autumn' } });
    });
    const put = await world.db('trail').where({ kind: 'agreed' }).pluck('params');
    expect(put).toEqual([{ to: 'autumn' }]);
  });
});
