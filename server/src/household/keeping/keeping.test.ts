import { doorRoutes, householdRoutes, keepingRoutes, type Safety } from '@cadro/contract';
import { generateSync } from 'otplib';
import type { Agent } from 'supertest';
import { password, sessionCookieOf, World } from '../../testing/world';

/* How an account is kept: who gets in, how often one may try, and what ends a session. */
let world: World;
const people = ['maren', 'tobiah', 'ottoline', 'isolde', 'pet'];
beforeAll(async () => {
  world = await World.read();
  await world.household(
    'here',
    people.map((name) => ({ name, children: ['caspian'] })),
  );
});
afterAll(() => world.stop());
beforeEach(() => world.db('login_tries').delete());

const mail = (name: string) => `${name}@test.example`;
const signIn = (body: object, agent: Agent = world.nobody) =>
  agent.post(householdRoutes.signIn.path).send(body);
const safety = async (agent: Agent): Promise<Safety> =>
  (await agent.get(keepingRoutes.safety.path).expect(200)).body;

describe('wrong passwords', () => {
  const wrong = (name: string, agent?: Agent) => signIn({ email: mail(name), password: 'wrong' }, agent);

  it('are answered with a wait, and with none on a device that has signed in before', async () => {
    const device = world.nobody;
    await signIn({ email: mail('maren'), password }, device).expect(200);
    await device.delete(householdRoutes.signOut.path).expect(204);
    const statuses: number[] = [];
    for (let tries = 0; tries < 8; tries++) statuses.push((await wrong('maren')).status);
    expect(statuses).toEqual([401, 401, 401, 401, 401, 401, 429, 429]);
    // The owner elsewhere is kept waiting, not locked out; on her own device she gets in at once.
    const waiting = await signIn({ email: mail('maren'), password });
    expect([waiting.status, waiting.body.retryAfterSeconds]).toEqual([429, expect.any(Number)]);
    await signIn({ email: mail('maren'), password }, device).expect(200);
    await world.db('login_tries').update({ waits_until: world.db.fn.now() });
    await signIn({ email: mail('maren'), password }).expect(200);
  });

  it('wait longer each time, and no longer than the longest', async () => {
    const waits: number[] = [];
    for (let tries = 0; tries < 20; tries++) {
      await world.db('login_tries').update({ waits_until: world.db.fn.now() });
      await wrong('tobiah');
      const row = await world
        .db('login_tries')
        .whereLike('key', 'sign-in-pair:%')
        .first<{ seconds: number }>(
          world.db.raw('round(extract(epoch from greatest(waits_until, now()) - now()))::int as seconds'),
        );
      waits.push(row.seconds);
    }
    expect(waits.slice(0, 9)).toEqual([0, 0, 0, 0, 0, 5, 10, 20, 40].map((each) => expect.closeTo(each, 0)));
    expect(waits.at(-1)).toBeCloseTo(900, 0);
  });

  it('of two hundred accounts from one address are not two hundred tries', async () => {
    const answers = await Promise.all(
      Array.from({ length: 200 }, (_, index) => signIn({ email: mail(`nobody${index}`), password: 'wrong' })),
    );
    expect(answers.filter(({ status }) => status === 401).length).toBeLessThanOrEqual(26);
  });

  it('of one account from many addresses are counted, too', async () => {
    const row = { hits: 20, waits_until: new Date(0), resets_at: '2999-01-01' };
    await world.db('login_tries').insert({ key: `sign-in-account:${mail('ottoline')}`, ...row });
    expect((await wrong('ottoline')).status).toBe(401);
    expect((await signIn({ email: mail('ottoline'), password })).status).toBe(429);
  });
});

describe('sessions', () => {
  it('are listed with their device, and end one by one or all but this', async () => {
    const own = world.nobody;
    await own
      .post(householdRoutes.signIn.path)
      .set('user-agent', 'Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0')
      .send({ email: mail('isolde'), password, keep: true })
      .expect(200);
    const [phone, library] = [await world.signedIn('isolde'), await world.signedIn('isolde')];
    const before = (await safety(own)).sessions;
    expect(before.map(({ device, current, kept }) => [device, current, kept])).toContainEqual([
      'Firefox, Linux',
      true,
      true,
    ]);
    expect(before).toHaveLength(3);
    const [other] = before.filter(({ current }) => !current);
    await own.delete(keepingRoutes.endSession.path.replace(':sessionId', other?.id ?? '')).expect(204);
    await own.delete(keepingRoutes.endSession.path.replace(':sessionId', other?.id ?? '')).expect(404);
    await own.delete(keepingRoutes.endOthers.path).expect(204);
    for (const agent of [phone, library]) await agent.get(householdRoutes.me.path).expect(401);
    expect(await safety(own)).toMatchObject({ sessions: [{ current: true }] });
  });

  it('of somebody else are not there to be ended', async () => {
    const [maren, tobiah] = [await world.signedIn('maren'), await world.signedIn('tobiah')];
    const id = (await safety(tobiah)).sessions[0]?.id ?? '';
    await maren.delete(keepingRoutes.endSession.path.replace(':sessionId', id)).expect(404);
    await tobiah.get(householdRoutes.me.path).expect(200);
  });

  it('run out unused, and at last when they are kept', async () => {
    const [idle, kept] = [world.nobody, world.nobody];
    const answers = [
      await signIn({ email: mail('pet'), password }, idle).expect(200),
      await signIn({ email: mail('pet'), password, keep: true }, kept).expect(200),
    ];
    const lasts = answers.map(
      ({ headers }) => /cadro\.session=[^,]*/.exec(String(headers['set-cookie']))?.[0],
    );
    expect(lasts[0]).not.toMatch(/Expires/i);
    expect(lasts[1]).toMatch(/Expires/i);
    const { rows } = await world.db.raw<{ rows: { hours: number }[] }>(
      `select round(extract(epoch from expire::timestamptz - now()) / 3600)::int as hours from sessions
        where guardian_id = (select id from guardians where email = ?) order by expire`,
      [mail('pet')],
    );
    expect(rows.map(({ hours }) => hours)).toEqual([12, 90 * 24]);
    await world.db.raw(
      `update sessions set sess = jsonb_set(sess::jsonb, '{since}', to_jsonb((sess->>'since')::bigint - 91 * 86400000::bigint))::json
        where (sess->>'kept')::boolean`,
    );
    await kept.get(householdRoutes.me.path).expect(401);
    await idle.get(householdRoutes.me.path).expect(200);
  });

  it('are put down as used once in minutes, and not with each request', async () => {
    const agent = await world.signedIn('pet');
    await agent.get(householdRoutes.me.path).expect(200);
    const expiries = () => world.db('sessions').orderBy('sid').pluck('expire');
    await world.db.raw(`update sessions set expire = date_trunc('second', expire) - interval '1 hour'`);
    const before = await expiries();
    expect(before.length).toBeGreaterThan(0);
    await agent.get(householdRoutes.me.path).expect(200);
    expect(await expiries()).toEqual(before);
  });

  it('end at a change of the password, but for the one that changed it, under a new id', async () => {
    const [own, other] = [world.nobody, await world.signedIn('pet')];
    const before = sessionCookieOf(await signIn({ email: mail('pet'), password }, own));
    const change = (body: object) => own.post(keepingRoutes.password.path).send(body);
    const next = 'quiet gulls over the slipway';
    expect((await change({ password: 'wrong', next })).body.code).toBe('wrong-credentials');
    expect((await change({ password, next: 'gannet' })).body.code).toBe('weak-password');
    await change({ password, next }).expect(204);
    await own.get(householdRoutes.me.path).expect(200);
    await other.get(householdRoutes.me.path).expect(401);
    await world.nobody.get(householdRoutes.me.path).set('cookie', before).expect(401);
    await signIn({ email: mail('pet'), password: next }).expect(200);
  });
});

describe('a device', () => {
  it('that is new to the account is told to its owner, the first one and a known one are not', async () => {
    const devices = [world.nobody, world.nobody];
    for (const agent of [...devices, ...devices])
      await signIn({ email: mail('tobiah'), password }, agent).expect(200);
    const told = (await world.mailsTo(mail('tobiah'))).filter(({ subject }) => /^A new device/.test(subject));
    const rows = await world
      .db('devices')
      .whereRaw(`guardian_id = (select id from guardians where email = ?)`, [mail('tobiah')]);
    expect(told).toHaveLength(rows.length - 1);
    expect(rows.length).toBeGreaterThanOrEqual(2);
  });
});

describe('another address', () => {
  const ask = (agent: Agent, email: string) =>
    agent.post(keepingRoutes.address.path).send({ password, email });
  const tap = async (address: string, subject: RegExp) => {
    const found = await world.mailTo(address, subject);
    const token = /#([\w-]{20,})/.exec(found?.text ?? '')?.[1];
    return (await world.nobody.post(doorRoutes.confirm.path).send({ token: token ?? 'none'.repeat(9) }))
      .body as {
      outcome?: string;
      code?: string;
    };
  };

  it('counts when both have been tapped, and mail goes there from then on', async () => {
    const agent = await world.signedIn('ottoline');
    const next = 'ottoline.new@test.example';
    await ask(agent, next).expect(202);
    expect(await tap(next, /^Confirm your new/)).toEqual({ outcome: 'half-changed', email: next });
    expect(await safety(agent)).toMatchObject({
      email: mail('ottoline'),
      change: { email: next, oldConfirmed: false, newConfirmed: true },
    });
    expect(await tap(mail('ottoline'), /^Is .* your new address/)).toEqual({
      outcome: 'changed',
      email: next,
    });
    expect(await safety(agent)).toMatchObject({ email: next, change: null, confirmed: true });
    await signIn({ email: mail('ottoline'), password }).expect(401);
    await signIn({ email: next, password }).expect(200);
    expect((await world.mailTo(mail('ottoline'), /^Cadro now writes to/))?.subject).toContain(next);
  });

  it('is not taken for one that was asked for before', async () => {
    const agent = await world.signedIn('maren');
    await ask(agent, 'maren.first@test.example').expect(202);
    await world.workOff();
    await ask(agent, 'maren.second@test.example').expect(202);
    expect(await tap('maren.first@test.example', /^Confirm your new/)).toMatchObject({ code: 'link-over' });
    await agent.delete(keepingRoutes.keepAddress.path).expect(204);
    expect(await tap('maren.second@test.example', /^Confirm your new/)).toMatchObject({ code: 'link-over' });
    expect((await safety(agent)).email).toBe(mail('maren'));
  });

  it('that belongs to another account is told to that address alone', async () => {
    const agent = await world.signedIn('maren');
    await ask(agent, mail('tobiah')).expect(202);
    expect(await world.mailTo(mail('tobiah'), /^You already have/)).toBeDefined();
    expect(await tap(mail('tobiah'), /^Confirm your new/)).toMatchObject({ code: 'link-over' });
  });
});

describe('one-time codes', () => {
  const begin = (agent: Agent) => agent.post(keepingRoutes.oneTime.path).send({ password }).expect(200);
  const codeAt = (secret: string, steps = 0) =>
    generateSync({ secret, epoch: Math.floor(world.wallAt.getTime() / 1000) + steps * 30 });
  const second = (agent: Agent, code: string) => agent.post(doorRoutes.second.path).send({ code });

  it('are asked for after the password, each good once; recovery codes, too', async () => {
    const agent = await world.signedIn('isolde');
    const { secret, picture } = (await begin(agent)).body as { secret: string; picture: string };
    expect(picture).toMatch(/^<svg/);
    const works = (code: string) => agent.post(keepingRoutes.oneTimeWorks.path).send({ code });
    expect((await works('000000')).body.code).toBe('wrong-code');
    // Nothing is asked for before the first code has come.
    await world.signedIn('isolde');
    const first = codeAt(secret, -1);
    const { recoveryCodes } = (await works(first).expect(201)).body as { recoveryCodes: string[] };
    expect(new Set(recoveryCodes).size).toBe(10);

    const device = world.nobody;
    const halfway = await signIn({ email: mail('isolde'), password }, device);
    expect([halfway.status, halfway.body.code]).toEqual([401, 'second-step']);
    await device.get(householdRoutes.me.path).expect(401);
    expect((await device.get(doorRoutes.secondSteps.path).expect(200)).body).toEqual({
      oneTime: true,
      passkey: false,
    });
    expect((await second(device, first)).body.code).toBe('wrong-code');
    await second(device, codeAt(secret)).expect(200);
    await device.get(householdRoutes.me.path).expect(200);

    const lost = world.nobody;
    await signIn({ email: mail('isolde'), password }, lost);
    await second(lost, recoveryCodes[3]?.toLowerCase() ?? '').expect(200);
    const late = world.nobody;
    await signIn({ email: mail('isolde'), password }, late);
    expect((await second(late, recoveryCodes[3] ?? '')).body.code).toBe('wrong-code');
    expect(await safety(device)).toMatchObject({ oneTime: true, recoveryLeft: 9 });
    await device.post(keepingRoutes.dropOneTime.path).send({ password }).expect(204);
    await world.signedIn('isolde');
  });

  it('that are guessed are answered with waits, and need the password first', async () => {
    const agent = await world.signedIn('maren');
    await begin(agent);
    expect((await second(world.nobody, '123456')).body.code).toBe('not-signed-in');
    await world.db('one_time_secrets').update({ confirmed_at: new Date() });
    const device = world.nobody;
    await signIn({ email: mail('maren'), password }, device);
    const statuses: number[] = [];
    for (let tries = 0; tries < 8; tries++) statuses.push((await second(device, '000000')).status);
    expect(statuses).toEqual([401, 401, 401, 401, 401, 401, 429, 429]);
    await world.db('one_time_secrets').delete();
  });
});

it.each<[string, string, object]>([
  ['a passkey', keepingRoutes.passkeyOptions.path, {}],
  ['one-time codes', keepingRoutes.oneTime.path, {}],
  ['another address', keepingRoutes.address.path, { email: 'x@test.example' }],
])('asks for the password before %s', async (_name, path, body) => {
  const agent = await world.signedIn('maren');
  const answer = await agent.post(path).send({ ...body, password: 'wrong' });
  expect([answer.status, answer.body.code]).toEqual([401, 'wrong-credentials']);
});

const forged = {
  ...{ id: 'x', rawId: 'x', type: 'public-key', clientExtensionResults: {} },
  response: { clientDataJSON: 'x', attestationObject: 'x' },
};
it.each<[string, object, number, string]>([
  ['nothing that was asked for', { answer: forged, name: 'Phone' }, 401, 'passkey-refused'],
  ['no answer at all', { answer: null, name: 'Phone' }, 400, 'bad-request'],
  ['a list', { answer: [1], name: 'Phone' }, 400, 'bad-request'],
])('takes no passkey that is %s', async (_name, body, status, code) => {
  const agent = await world.signedIn('maren');
  await agent.post(keepingRoutes.passkeyOptions.path).send({ password }).expect(200);
  const kept = await agent.post(keepingRoutes.addPasskey.path).send(body);
  expect([kept.status, kept.body.code]).toEqual([status, code]);
  await world.nobody.post(doorRoutes.passkey.path).send({ answer: forged }).expect(401);
});
