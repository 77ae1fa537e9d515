import { alertRoutes, entryRoutes, followUpRoutes, householdRoutes, planRoutes } from '@cadro/contract';
import { presetRules } from '@cadro/core';
import { password, World } from '../testing/world';

let world: World;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['caspian'] },
    { name: 'tobiah', children: ['caspian'] },
    { name: 'fresh', children: [] },
  ]);
  itemId = await world.itemId('boats-keel-model', 'millrace');
  const maren = await world.signedIn('maren');
  const { body } = await maren.post(entryRoutes.create.path).send(entry).expect(201);
  entryPath = entryRoutes.change.path.replace(':entryId', body.id as string);
});
afterAll(() => world.stop());

const code = (text: string) => ({ code: text });
const entry = { kind: 'note', title: 'A note', on: '2026-10-22', studentIds: [], shared: false };
let entryPath = '';
let itemId = '';

describe('signing in', () => {
  it.each([
    ['a wrong password', { email: 'maren@test.example', password: 'wrong' }, 401, 'wrong-credentials'],
    ['an unknown address', { email: 'nobody@test.example', password }, 401, 'wrong-credentials'],
    ['no password', { email: 'maren@test.example' }, 400, 'bad-request'],
    ['an address that is none', { email: 'maren', password }, 400, 'bad-request'],
    ['a list', [], 400, 'bad-request'],
    [
      'an object for the password',
      { email: 'maren@test.example', password: { $ne: '' } },
      400,
      'bad-request',
    ],
  ])('%s', async (_name, body, status, problem) => {
    const answer = await world.nobody.post('/api/session').send(body);
    expect([answer.status, answer.body.code]).toEqual([status, problem]);
    expect(answer.headers['set-cookie']).toBeUndefined();
  });

  it('sets a cookie that scripts and other sites do not get', async () => {
    const answer = await world.nobody
      .post('/api/session')
      .send({ email: 'maren@test.example', password })
      .expect(200);
    expect(String(answer.headers['set-cookie'])).toMatch(/cadro\.session=[^,]*HttpOnly; SameSite=Lax/);
  });
});

describe('changing oneself', () => {
  it.each(['{"__proto__":{"admin":true}}', '{"constructor":{}}', '{"admin":true}', '{}'])(
    'by %s is refused',
    async (text) => {
      const agent = await world.signedIn('maren');
      const answer = await agent.patch(householdRoutes.changeMe.path).type('json').send(text);
      expect([answer.status, answer.body.code]).toEqual([400, 'bad-request']);
    },
  );
});

describe('linking by code', () => {
  it.each([
    ['unknown', 'SORREL-XXX-0000', 404, 'code-unknown'],
    ['run out', 'C8SN-0F2B-6WQA-1DVP', 410, 'code-expired'],
    ['too short', 'S', 400, 'bad-request'],
  ])('%s', async (_name, text, status, problem) => {
    const agent = await world.signedIn('fresh');
    const answer = await agent.post(householdRoutes.link.path).send(code(text));
    expect([answer.status, answer.body.code]).toEqual([status, problem]);
  });

  it('shows whose record it is, links once, and is used up', async () => {
    const fresh = await world.signedIn('fresh');
    const preview = await fresh
      .post(householdRoutes.previewLink.path)
      .send(code('3qpt 7k9m-xr2d v6hb'))
      .expect(200);
    expect(preview.body).toEqual({
      ...{ issuer: 'school', role: 'guardian', invitedBy: null, email: null },
      children: [{ givenName: 'Pet', schoolName: 'Little Fathom Primary' }],
    });
    expect((await fresh.get('/api/me')).body.children).toEqual([]);
    await fresh.post(householdRoutes.link.path).send(code('3QPT-7K9M-XR2D-V6HB')).expect(201);
    const maren = await world.signedIn('maren');
    const again = await maren.post(householdRoutes.link.path).send(code('3QPT-7K9M-XR2D-V6HB'));
    expect([again.status, again.body.code]).toEqual([409, 'code-used']);
  });

  it('lets only one of two use a code at the same moment', async () => {
    const [a, b] = [await world.signedIn('fresh'), await world.signedIn('maren')];
    const answers = await Promise.all(
      [a, b].map((agent) => agent.post(householdRoutes.link.path).send(code('T4MJ-91CW-8GZE-5NYK'))),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 409]);
  });
});

describe('what a note may hold', () => {
  const create = (note: unknown) => ({ studentId: world.student('caspian'), title: 'A talk', note });
  it.each([
    ['100,000 characters', 'x'.repeat(100_000), 400],
    ['more than a request may', 'x'.repeat(400_000), 413],
    ['nothing', '', 400],
    ['a NUL character', 'a\u0000b', 400],
    ['a number', 7, 400],
  ])('refuses %s', async (_name, note, status) => {
    const agent = await world.signedIn('maren');
    const before = await world.db('followups').count();
    expect((await agent.post(followUpRoutes.create.path).send(create(note))).status).toBe(status);
    expect(await world.db('followups').count()).toEqual(before);
  });

  it.each([
    ['markup', '<script>alert(1)</script><img onerror=x>'],
    ['a formula', '=HYPERLINK("x")'],
    ['right-to-left marks', 'a\u202Eb\u202C'],
    ['SQL', "'; drop table followups; --"],
    ['emoji', '🦭🦭'],
  ])('keeps %s as it was typed', async (_name, note) => {
    const agent = await world.signedIn('maren');
    const { body } = await agent.post(followUpRoutes.create.path).send(create(note)).expect(201);
    expect(body.entries.map(({ text }: { text: string | null }) => text)).toContain(note);
  });
});

describe('rules of alerts', () => {
  const { rules } = presetRules('usual');
  const studentId = '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6';
  const excepted = (changes: object) => ({ exceptions: [{ studentId, courseId: null, rules: changes }] });
  it.each<[string, object, string]>([
    [
      'a threshold above the scale',
      { rules: { ...rules, below: { ...rules.below, percent: 101 } } },
      '/rules/below/percent',
    ],
    [
      'a fall of nothing',
      { rules: { ...rules, fallen: { ...rules.fallen, points: 0 } } },
      '/rules/fallen/points',
    ],
    ['no days', { rules: { ...rules, fallen: { on: true, points: 6 } } }, '/rules/fallen'],
    [
      'a kind of loose end nobody knows',
      { rules: { ...rules, 'loose-end': { ...rules['loose-end'], kinds: ['lost'] } } },
      '/rules/loose-end/kinds/0',
    ],
    ['a rule nobody has', { rules: { ...rules, 'tide-table': { on: true } } }, '/rules'],
    ['one of them alone', { rules: { below: rules.below } }, '/rules'],
    [
      'an exception beyond the scale',
      excepted({ below: { percent: 101 } }),
      '/exceptions/0/rules/below/percent',
    ],
    [
      'an exception of what is about no child',
      excepted({ 'not-looked': { days: 3 } }),
      '/exceptions/0/rules',
    ],
  ])('%s: is refused at its place, to be kept and to be tried', async (_name, change, path) => {
    const maren = await world.signedIn('maren');
    const body = { ...presetRules('usual'), ...change };
    const tried = await maren.post(alertRoutes.rehearse.path).send(body).expect(400);
    expect([tried.body.code, tried.body.errors[0].path]).toEqual(['bad-request', path]);
    const kept = await maren.patch(alertRoutes.changeSettings.path).send({ rules: body }).expect(400);
    expect([kept.body.code, kept.body.errors[0].path]).toEqual(['bad-request', `/rules${path}`]);
  });

  it('that were kept before a rule existed are whole when they are read', async () => {
    const maren = await world.signedIn('maren');
    const { late, ...others } = rules;
    const [{ id }] = await world.db('guardians').where({ email: 'maren@test.example' }).select('id');
    const kept = { ...presetRules('usual'), rules: { ...others, 'tide-table': { on: true } } };
    await world
      .db('alert_settings')
      .insert({ guardian_id: id, rules: JSON.stringify(kept) })
      .onConflict('guardian_id')
      .merge();
    const { body } = await maren.get(alertRoutes.settings.path).expect(200);
    expect(body.rules.rules).toEqual({ ...others, late });
    expect(body.preset).toBe('usual');
  });
});

describe('requests that are none', () => {
  it.each([
    ['cut JSON', 'application/json', '{"email": "a'],
    ['another type', 'text/plain', 'email=a'],
  ])('%s', async (_name, type, body) => {
    const answer = await world.nobody.post('/api/session').set('content-type', type).send(body);
    expect([answer.status, answer.body.code]).toEqual([400, 'bad-request']);
  });

  it.each<[string, () => [string, object]]>([
    ['the year 0', () => [entryRoutes.create.path, { ...entry, on: '0000-01-01' }]],
    ['a version beyond what a row counts to', () => [entryPath, { ...entry, version: 2 ** 31 }]],
    ['an object where a text belongs', () => [entryRoutes.create.path, { ...entry, title: { $ne: '' } }]],
    ['half a letter', () => [entryRoutes.create.path, { ...entry, title: 'half \ud83d' }]],
    ['NUL', () => [entryRoutes.create.path, { ...entry, title: 'a\u0000b' }]],
    [
      'the same task twice',
      () => [
        planRoutes.choose.path.replace(':studentId', world.student('caspian')),
        { tasks: [{ itemId }, { itemId }] },
      ],
    ],
  ])('%s', async (_name, ask) => {
    const agent = await world.signedIn('maren');
    const [path, body] = ask();
    const answer = await (path === entryPath ? agent.patch(path) : agent.post(path)).send(body);
    expect([answer.status, answer.body.code]).toEqual([400, 'bad-request']);
  });

  it.each([
    [
      'JSON that is nested 20,000 deep',
      { 'content-type': 'application/json' },
      '['.repeat(20_000) + ']'.repeat(20_000),
    ],
    ['what is packed and is not', { 'content-type': 'application/json', 'content-encoding': 'gzip' }, '{}'],
    ['a packing that is none', { 'content-type': 'application/json', 'content-encoding': 'x' }, '{}'],
    ['letters of no encoding', { 'content-type': 'application/json; charset=utf-7' }, '{}'],
  ])('%s', async (_name, headers, body) => {
    const agent = await world.signedIn('maren');
    const answer = await agent.post(entryRoutes.create.path).set(headers).send(body);
    expect([answer.status, answer.body.code]).toEqual([400, 'bad-request']);
  });

  it('refuses writes from another site', async () => {
    const agent = await world.signedIn('maren');
    for (const header of [{ origin: 'https://elsewhere.example' }, { 'sec-fetch-site': 'cross-site' }]) {
      const answer = await agent.patch('/api/me').set(header).send({ language: 'es' });
      expect([answer.status, answer.body.code]).toEqual([403, 'foreign-origin']);
    }
    await agent.patch('/api/me').set('origin', world.config.publicUrl).send({ language: 'en' }).expect(200);
  });

  it('answers ids that are none with what does not fit', async () => {
    const agent = await world.signedIn('maren');
    const answer = await agent.get('/api/followups/7').expect(400);
    expect(answer.body.errors).toEqual([{ path: '/followUpId', message: 'must match format "uuid"' }]);
  });

  it('says of itself what it is', async () => {
    const { body } = await world.nobody.get('/api/openapi.json').expect(200);
    expect(body.openapi).toBe('3.1.0');
    expect(Object.keys(body.paths)).toContain('/api/students/{studentId}/items/{itemId}');
    const page = await world.nobody.get('/healthz').expect(200);
    expect(page.headers['content-security-policy']).toContain("default-src 'self'");
    await world.nobody.get('/readyz').expect(200);
  });
});
