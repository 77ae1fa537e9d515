import { alertRoutes, householdRoutes, messageRoutes, termRoutes } from '@cadro/contract';
import { once } from 'node:events';
import { request as httpRequest, type IncomingMessage } from 'node:http';
import pino from 'pino';
import request, { type Agent } from 'supertest';
import type { Config } from '../kit';
import { password, sessionCookieOf, World } from '../testing/world';
import { buildServer } from './app';

/* What has been done to Cadro once and is not to be done again. */
let world: World;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['caspian'] },
    { name: 'ottoline', role: 'look-only', children: ['caspian'] },
  ]);
});
afterAll(() => world.stop());
beforeEach(() => world.db('login_tries').delete());

const asMaren = { email: 'maren@test.example', password };
/** Another server of the same stack, set up otherwise. */
async function withServer<T>(
  change: Partial<Config>,
  use: (agent: () => Agent, lines: string[]) => Promise<T>,
): Promise<T> {
  const lines: string[] = [];
  const log = pino({ level: 'info' }, { write: (line: string) => void lines.push(line) });
  const { db, clock, config } = world;
  const server = buildServer({ db, clock, config: { ...config, ...change }, log });
  try {
    return await use(() => request.agent(server.app), lines);
  } finally {
    await server.close();
  }
}

describe('behind a proxy that speaks TLS', () => {
  const https = { publicUrl: 'https://cadro.example' };
  const signIn = (agent: Agent, from: string, body: object = asMaren) =>
    agent
      .post(householdRoutes.signIn.path)
      .set({ 'x-forwarded-proto': 'https', 'x-forwarded-for': from })
      .send(body);

  it('the cookie of the session arrives, for https alone', async () => {
    for (const trustedProxies of [false, 1] as const)
      await withServer({ ...https, trustedProxies }, async (agent) => {
        const { headers } = await signIn(agent(), '203.0.113.7').expect(200);
        expect(String(headers['set-cookie'])).toMatch(/cadro\.session=[^,]*Secure/);
      });
  });

  it.each<[string, Config['trustedProxies'], number]>([
    ['each of whose callers is one, where the proxy is trusted', 1, 401],
    ['that is trusted by its network', ['loopback'], 401],
    ['whose word nobody takes: a caller cannot say to be many', false, 429],
  ])('one %s', (_name, trustedProxies, status) =>
    withServer({ ...https, trustedProxies }, async (agent) => {
      const wrong = (from: string, index: number) =>
        signIn(agent(), from, { email: `nobody${index}@test.example`, password: 'wrong' });
      for (let index = 0; index < 27; index++) await wrong('203.0.113.7', index);
      expect((await wrong('198.51.100.9', 99)).status).toBe(status);
    }),
  );
});

describe('an address', () => {
  it.each(['/API/me', '/Api/alerts/count', '/api/ME', '/Calendar/x/cadro.ics'])(
    'is written in one way: %s is nowhere',
    async (path) => {
      const maren = await world.signedIn('maren');
      await maren.get(path).expect(404);
    },
  );

  it('leaves no secret of it in the log', () =>
    withServer({}, async (agent, lines) => {
      const secrets = ['stop-me-if-you-can-stop-me', 'feed-me-if-you-can-feed-me'];
      await agent().post(`/api/mail-stop/${secrets[0]}`).expect(404);
      await agent().get(`/calendar/${secrets[1]}/cadro.ics`).expect(404);
      await agent().get(`/API/mail-stop/${secrets[0]}`).expect(404);
      await agent().get(`/api/nowhere/${secrets[0]}`).expect(404);
      const all = lines.join('');
      for (const secret of secrets) expect(all).not.toContain(secret);
      expect(lines.map((line) => (JSON.parse(line) as { path?: string }).path)).toEqual([
        '/api/mail-stop/:token',
        '/calendar/:token/cadro.ics',
        '(none)',
        '(none)',
      ]);
    }));
});

describe('a body of ten megabytes', () => {
  /** Begins to send one and waits for the answer: whoever does not want it answers before it is all there. */
  async function answerTo(path: string, headers: Record<string, string>): Promise<number | undefined> {
    const sent = httpRequest(`${world.config.publicUrl}${path}`, {
      method: 'POST',
      headers: { 'content-length': String(10 * 1024 * 1024), ...headers },
    });
    sent.on('error', () => undefined);
    sent.write('{"text": "');
    const [answer] = (await once(sent, 'response')) as [IncomingMessage];
    sent.destroy();
    return answer.statusCode;
  }

  it.each([
    ['/api/inbound-mail', { 'content-type': 'message/rfc822', authorization: 'Bearer guessed' }],
    ['/api/calendar/imports', { 'content-type': 'application/json' }],
    ['/api/messages', { 'content-type': 'application/json' }],
  ])('%s is not read before it is known who sends it', async (path, headers) => {
    expect(await answerTo(path, headers)).toBe(401);
  });
});

describe('streams', () => {
  /** Opens one; `ended` settles when the server ends it. */
  async function stream(cookie: string) {
    const sent = httpRequest(`${world.config.publicUrl}${alertRoutes.live.path}`, { headers: { cookie } });
    sent.end();
    const [answer] = (await once(sent, 'response')) as [IncomingMessage];
    answer.resume();
    return { status: answer.statusCode, ended: once(answer, 'end'), answer };
  }
  const cookieOf = async (agent: Agent): Promise<string> => {
    const answer = await agent.post(householdRoutes.signIn.path).send(asMaren).expect(200);
    return sessionCookieOf(answer);
  };
  const isOpen = ({ answer }: Awaited<ReturnType<typeof stream>>) => !answer.readableEnded;

  it('end with the session that opened them', async () => {
    const agent = world.nobody;
    const open = await stream(await cookieOf(agent));
    expect(open.status).toBe(200);
    await agent.delete(householdRoutes.signOut.path).expect(204);
    await open.ended;
  });

  it('end with the link they are about', async () => {
    const open = await stream(await cookieOf(world.nobody));
    await world.db('guardian_links').where({ role: 'guardian' }).update({ ended_at: new Date() });
    await open.ended;
    await world.db('guardian_links').where({ role: 'guardian' }).update({ ended_at: null });
  });

  it('say so and end when the school holds something back', async () => {
    const open = await stream(await cookieOf(world.nobody));
    let said = '';
    open.answer.on('data', (chunk: Buffer) => (said += chunk.toString()));
    await world.db('restrictions').insert({
      ...{ student_id: world.student('caspian'), what: 'comments', made_at: '2026-10-21T19:40:00Z' },
    });
    await open.ended;
    expect(said).toContain('event: rights\n');
    await world.db('restrictions').delete();
  });

  it('are so many for one person, and no more', async () => {
    const cookie = await cookieOf(world.nobody);
    const streams: Awaited<ReturnType<typeof stream>>[] = [];
    for (let nth = 0; nth < 20; nth++) streams.push(await stream(cookie));
    await Promise.all(streams.slice(0, 12).map(({ ended }) => ended));
    expect(streams.filter(isOpen)).toHaveLength(8);
    for (const { answer } of streams) answer.destroy();
  });
});

describe('heavy work', () => {
  it('asked for forty times at once is told to wait', async () => {
    const maren = await world.signedIn('maren');
    const path = termRoutes.report.path.replace(':studentId', world.student('caspian'));
    const answers = await Promise.all(Array.from({ length: 40 }, () => maren.get(path)));
    const statuses = answers.map(({ status }) => status);
    expect(statuses.filter((status) => status === 200).length).toBeGreaterThan(0);
    expect(statuses.filter((status) => status === 429).length).toBeGreaterThan(20);
    expect(new Set(statuses)).toEqual(new Set([200, 429]));
  });
});

describe('what goes out in somebody’s name', () => {
  it('is not a hundred letters to one teacher', async () => {
    const maren = await world.signedIn('maren');
    const { body } = await maren
      .get(messageRoutes.teachers.path.replace(':studentId', world.student('caspian')))
      .expect(200);
    const teacher = (body as { teachers: { id: string; contactable: boolean }[] }).teachers.find(
      ({ contactable }) => contactable,
    );
    const letter = { studentId: world.student('caspian'), teacherId: teacher?.id, subject: 'S', text: 'T' };
    const statuses: number[] = [];
    for (let nth = 0; nth < 12; nth++)
      statuses.push((await maren.post(messageRoutes.send.path).send(letter)).status);
    expect(statuses).toEqual([...Array<number>(9).fill(202), 429, 429, 429]);
  });

  it('is no text to a number that nobody has shown to be theirs', async () => {
    const maren = await world.signedIn('maren');
    const phone = '+15550100299';
    const settings = (await maren.get(alertRoutes.settings.path)).body as { delivery: object };
    await maren
      .patch(alertRoutes.changeSettings.path)
      .send({ delivery: { ...settings.delivery, phone } })
      .expect(200);
    const test = (agent: Agent) => agent.post(alertRoutes.test.path).send({ channel: 'text' });
    expect((await test(maren)).body.code).toBe('no-way');
    const asked = await maren.post(alertRoutes.phoneCode.path).send({ phone });
    expect(asked.status).toBe(202);
    const [text] = await world.mailsTo(phone);
    const code = /\d{6}/.exec(text?.text ?? '')?.[0] ?? '';
    const wrong = await maren
      .post(alertRoutes.phoneWorks.path)
      .send({ code: code === '111111' ? '222222' : '111111' });
    expect([wrong.status, wrong.body.code]).toEqual([401, 'wrong-code']);
    const right = await maren.post(alertRoutes.phoneWorks.path).send({ code }).expect(200);
    expect(right.body.phoneConfirmed).toBe(phone);
    expect((await test(maren)).status).toBe(202);
    expect((await maren.post(alertRoutes.phoneWorks.path).send({ code })).body.code).toBe('wrong-code');
  });

  it('is not fifty tries, by whoever may only look either', async () => {
    const ottoline = await world.signedIn('ottoline');
    const statuses: number[] = [];
    for (let nth = 0; nth < 8; nth++)
      statuses.push((await ottoline.post(alertRoutes.test.path).send({ channel: 'mail' })).status);
    expect(statuses).toEqual([...Array<number>(5).fill(202), 429, 429, 429]);
  });

  it('is not a code after a code to one number', async () => {
    const statuses: number[] = [];
    for (const name of ['maren', 'ottoline', 'maren', 'ottoline', 'maren']) {
      const agent = await world.signedIn(name);
      statuses.push((await agent.post(alertRoutes.phoneCode.path).send({ phone: '+15550100298' })).status);
    }
    expect(statuses).toEqual([202, 202, 202, 202, 429]);
  });
});
