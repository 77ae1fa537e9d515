import { readFileSync } from 'node:fs';
import { ownRoutes, type OwnSchool } from '@cadro/contract';
import type { Agent } from 'supertest';
import { bundleOf, packed, smallSchool, type Tables } from '../../../testing/bundles';
import { World } from '../../../testing/world';

/* A family hands over its school's export: of it only what is about the children it names comes in. */
let world: World;
let maren: Agent;
let stranger: Agent;
let sourceId: string;
beforeAll(async () => {
  world = await World.start();
  await world.household('here', [{ name: 'maren', children: [] }]);
  await world.household('there', [{ name: 'stranger', children: [] }]);
  maren = await world.signedIn('maren');
  stranger = await world.signedIn('stranger');
  sourceId = await add([{ givenName: 'Odo', familyName: 'Wrack', number: null }]);
});
afterAll(() => world.stop());

const small = smallSchool as Tables;
async function add(children: readonly object[], agent = maren): Promise<string> {
  const { body } = await agent
    .post(ownRoutes.addSchool.path)
    .send({ schoolName: 'Wrack School', timeZone: 'America/Halifax', children })
    .expect(201);
  return body.id;
}
const put = (path: string, { source = sourceId, agent = maren, name = 'fall.zip' } = {}) =>
  agent
    .post(ownRoutes.putExport.path.replace(':sourceId', source))
    .query({ name })
    .type('application/zip')
    .send(readFileSync(path));
async function schools(agent = maren): Promise<OwnSchool[]> {
  return (await agent.get(ownRoutes.schools.path).expect(200)).body.schools;
}
/** All that is kept anywhere, as text: whoever is not named is not in it. */
async function everything(): Promise<string> {
  const { rows } = await world.db.raw<{ rows: { table_name: string }[] }>(
    `select table_name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'`,
  );
  const texts: string[] = [];
  for (const { table_name } of rows) {
    const { rows: kept } = await world.db.raw(`select to_jsonb(t) - 'bytes' as row from "${table_name}" t`);
    texts.push(JSON.stringify(kept));
  }
  return texts.join('\n');
}

it('takes the named child’s record in, and nothing of any other child', async () => {
  await put(await bundleOf(small)).expect(202);
  await world.workOff();
  expect(await schools()).toMatchObject([
    {
      name: 'Wrack School',
      children: [{ givenName: 'Odo' }],
      bundles: [{ name: 'fall.zip', state: 'done' }],
    },
  ]);
  const { body: me } = await maren.get('/api/me').expect(200);
  expect(me.children).toMatchObject([
    { givenName: 'Odo', schoolName: 'Wrack School', role: 'guardian', byHand: false },
  ]);
  const { body } = await maren.get('/api/courses').expect(200);
  expect(
    body.courses.map(({ title, figures }: { title: string; figures: object }) => [title, figures]),
  ).toEqual([
    ['Knots', expect.objectContaining({ looseEnds: [expect.objectContaining({ kind: 'missing' })] })],
  ]);
  const kept = await everything();
  expect(kept).toContain('Odo');
  expect(kept).not.toMatch(/\bUna\b|"una"/);
});

it('takes the same file no second time, and an addition as what it adds', async () => {
  expect((await put(await bundleOf(small)).expect(202)).body).toEqual({ id: null });
  const results = [
    {
      ...{
        sourcedId: 'late',
        lineItemSourcedId: 'quiz',
        studentSourcedId: 'odo',
        scoreStatus: 'fully graded',
      },
      ...{ score: 10, dateLastModified: '2026-10-20T12:00:00Z' },
    },
    {
      sourcedId: 'hers',
      lineItemSourcedId: 'quiz',
      studentSourcedId: 'una',
      scoreStatus: 'fully graded',
      score: 1,
    },
  ];
  await put(await bundleOf({ results }, { results: 'delta' }), { name: 'later.zip' }).expect(202);
  await world.workOff();
  const [last] = await world
    .db('results as r')
    .join('students as s', 's.id', 'r.student_id')
    .orderBy('r.at', 'desc')
    .select('s.external_id', 'r.earned');
  expect(last).toEqual({ external_id: 'odo', earned: 10 });
  expect(await everything()).not.toMatch(/\bUna\b|"una"/);
});

describe('a file that is not what it should be', () => {
  const pair = small['users'] ?? [];
  it.each<[string, () => Promise<string>, string, object]>([
    [
      'a photo',
      () => packed({ 'boat.jpg': 'a boat' }),
      'unreadable-file',
      { path: '/', message: 'no-tables' },
    ],
    [
      'of another school',
      () => bundleOf({ ...small, users: pair.filter(({ sourcedId }) => sourcedId !== 'odo') }),
      'child-not-in-file',
      { path: '/children', message: 'Odo' },
    ],
    [
      'with two of that name',
      () =>
        bundleOf({
          ...small,
          users: [...pair, { sourcedId: 'odo-2', givenName: 'Odo', familyName: 'Wrack', grades: '9' }],
          roles: [
            ...(small['roles'] ?? []),
            {
              sourcedId: 'r9',
              userSourcedId: 'odo-2',
              roleType: 'primary',
              role: 'student',
              orgSourcedId: 'school',
            },
          ],
        }),
      'several-in-file',
      { path: '/children', message: 'Odo' },
    ],
    [
      'a bomb',
      () => packed({ 'users.csv': Buffer.alloc(40_000_000) }),
      'unreadable-file',
      { path: '/', message: 'too-big' },
    ],
  ])('%s says so, and nothing is kept', async (_what, make, code, fault) => {
    const source = await add([{ givenName: 'Odo', familyName: 'Wrack', number: null }]);
    const { body } = await put(await make(), { source }).expect(422);
    expect(body).toMatchObject({ code, errors: [fault] });
    expect(await world.db('bundles').where({ source_id: source })).toEqual([]);
    await maren.delete(ownRoutes.dropSchool.path.replace(':sourceId', source)).expect(204);
  });

  it('is of the child whose number is said, where two have its name', async () => {
    const source = await add([{ givenName: 'odo', familyName: 'WRACK', number: 'ODO' }]);
    await put(await bundleOf(small), { source }).expect(202);
    await maren.delete(ownRoutes.dropSchool.path.replace(':sourceId', source)).expect(204);
  });
});

it('asks before an export takes much away', async () => {
  const lineItems = Array.from({ length: 30 }, (_each, index) => ({
    ...{
      sourcedId: `w${index}`,
      title: `Work ${index}`,
      classSourcedId: 'knots',
      categorySourcedId: 'tests',
    },
    resultValueMax: 10,
  }));
  await put(await bundleOf({ ...small, lineItems }), { name: 'much.zip' }).expect(202);
  await world.workOff();
  await put(await bundleOf({ ...small, lineItems: lineItems.slice(0, 5) }), { name: 'little.zip' }).expect(
    202,
  );
  await world.workOff();
  const asking = (await schools())[0]?.bundles[0];
  expect(asking).toMatchObject({ name: 'little.zip', state: 'asking', ask: { what: 'items' } });
  const path = ownRoutes.answerExport.path.replace(':bundleId', asking?.id ?? '');
  await stranger.post(path).send({ answer: 'take' }).expect(404);
  await maren.post(path).send({ answer: 'stop' }).expect(204);
  expect((await schools())[0]?.bundles[0]).toMatchObject({ state: 'stopped' });
});

it('is nobody else’s: neither its list, nor its files, nor its end', async () => {
  expect(await schools(stranger)).toEqual([]);
  await put(await bundleOf(small), { agent: stranger }).expect(404);
  await stranger.delete(ownRoutes.dropSchool.path.replace(':sourceId', sourceId)).expect(404);
  await maren.delete(ownRoutes.dropSchool.path.replace(':sourceId', sourceId)).expect(204);
  expect((await maren.get('/api/me')).body.children).toEqual([]);
  expect(await everything()).not.toMatch(/\bOdo\b/);
});
