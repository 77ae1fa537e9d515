import {
  copyFileSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { operatorRoutes as routes, type OperatorSource } from '@cadro/contract';
import { generateSync } from 'otplib';
import type { Agent } from 'supertest';
import { cadroCommand } from '../main/cli/operator';
import { lookForBundles } from '../sources';
import { bundleOf, smallSchool, type Tables } from '../testing/bundles';
import { World } from '../testing/world';
import { addOperator } from './signIn';

/* Schools that hand over files, as those who run a Cadro see them: on the page, at the command line, in a folder. */
const password = 'seven lamps along the breakwater';
const environment = process.env;
let world: World;
let agent: Agent;
let made = 0;
beforeAll(async () => {
  world = await World.start();
  await world.moveTo('2026-10-21T19:40:00Z');
  const { secret } = await addOperator(world, 'Sable', password);
  const code = generateSync({ secret, epoch: Math.floor(world.wallAt.getTime() / 1000) });
  agent = world.nobody;
  await agent.post(routes.signIn.path).send({ name: 'Sable', password, code }).expect(204);
  process.env = {
    ...environment,
    DATABASE_URL: world.config.databaseUrl,
    CADRO_SECRET: world.config.secret,
    CADRO_INBOUND_MAIL_KEY: world.config.inboundMailKey,
    SMTP_URL: world.config.smtpUrl,
    CADRO_DEMO_SCHOOL_URL: world.school.url,
  };
});
afterAll(async () => {
  process.env = environment;
  await world.stop();
});

const at = (path: string, ids: Record<string, string>): string =>
  Object.entries(ids).reduce((whole, [name, id]) => whole.replace(`:${name}`, id), path);
async function addSchool(): Promise<{ sourceId: string; name: string }> {
  const name = `Wrack ${(made += 1)}`;
  const { body } = await agent
    .post(routes.addBundleSource.path)
    .send({ name, timeZone: 'America/Halifax' })
    .expect(201);
  return { sourceId: body.id as string, name };
}
const send = async (sourceId: string, file: Buffer, name = 'a.zip') =>
  agent
    .post(`${at(routes.putBundle.path, { sourceId })}?name=${encodeURIComponent(name)}`)
    .set('content-type', 'application/zip')
    .send(file);
const stateOf = async (sourceId: string): Promise<OperatorSource> => {
  const { body } = await agent.get(routes.state.path).expect(200);
  return (body.sources as OperatorSource[]).find(({ id }) => id === sourceId) as OperatorSource;
};
const zipOf = async (tables: Tables, modes = {}): Promise<Buffer> =>
  readFileSync(await bundleOf(tables, modes));
const small = smallSchool as Tables;
const many = Array.from({ length: 50 }, (_each, index) => ({
  ...smallSchool.lineItems[0],
  sourcedId: `i${index}`,
}));

it('takes a school’s file, and tells what became of it', async () => {
  const { sourceId, name } = await addSchool();
  expect(await stateOf(sourceId)).toMatchObject({
    name,
    kind: 'bundles',
    readAt: null,
    bundles: [],
    untold: [],
  });
  const broken = {
    ...small,
    results: [...(small['results'] ?? []), { ...small['results']?.[0], sourcedId: 'bad', score: 'much' }],
  } as Tables;
  const file = await zipOf(broken);
  const answer = await send(sourceId, file, 'fall & winter.zip');
  expect([answer.status, answer.body]).toEqual([202, { id: expect.any(String) }]);
  expect((await stateOf(sourceId)).bundles).toMatchObject([{ name: 'fall & winter.zip', state: 'waiting' }]);
  await world.workOff();
  expect(await stateOf(sourceId)).toMatchObject({
    readAt: '2026-10-21T19:40:00.000Z',
    aside: 1,
    bundles: [{ state: 'done', problems: 1, fault: null, ask: null }],
  });
  const { body } = await agent.get(at(routes.sourceProblems.path, { sourceId })).expect(200);
  expect(body.problems).toMatchObject([
    {
      collection: 'results',
      externalId: 'bad',
      fault: 'misfit',
      detail: 'results.csv, row 5: /score is none of what it can be',
    },
  ]);
  // What stands in a row is somebody's: only its place is told.
  expect(JSON.stringify(body)).not.toMatch(/fully graded|much/);
  expect((await send(sourceId, file)).body).toEqual({ id: null });
});

it('asks before a file takes much away, and does as it is answered', async () => {
  const { sourceId } = await addSchool();
  await send(sourceId, await zipOf({ ...small, lineItems: many as never, results: [] }));
  await world.workOff();
  await send(sourceId, await zipOf({ lineItems: many.slice(0, 10) as never }, { lineItems: 'bulk' }));
  await world.workOff();
  const [asked] = (await stateOf(sourceId)).bundles;
  expect(asked).toMatchObject({ state: 'asking', ask: { what: 'items', gone: 40, of: 50 } });
  const answer = (given: string) =>
    agent.post(at(routes.answerBundle.path, { bundleId: asked?.id ?? '' })).send({ answer: given });
  await answer('perhaps').expect(400);
  await answer('take').expect(204);
  await answer('take').expect(404);
  await world.workOff();
  expect((await stateOf(sourceId)).bundles[0]).toMatchObject({ state: 'done', ask: null });
});

it.each([
  ['no zip', Buffer.from('not at all a zip file, whatever it is called')],
  ['nothing', Buffer.alloc(0)],
])('says of %s that it cannot be read', async (_name, file) => {
  const { sourceId } = await addSchool();
  expect((await send(sourceId, file)).status).toBe(202);
  await world.workOff();
  expect((await stateOf(sourceId)).bundles).toMatchObject([{ state: 'refused', fault: 'not-a-zip' }]);
});

it('refuses what is meant for no such school, and a zone that is none', async () => {
  const zip = await zipOf(small);
  expect((await send('5b6f0a8e-9c3d-4f7e-8a1b-2c3d4e5f6a7b', zip)).status).toBe(404);
  expect((await send(world.sources.get('millrace') ?? '', zip)).status).toBe(404);
  await agent.post(routes.addBundleSource.path).send({ name: 'X', timeZone: 'Atlantis/Deep' }).expect(400);
});

it('tells of a school what it does not give', async () => {
  const sourceId = world.sources.get('millrace') ?? '';
  await world.school.behave([{ school: 'millrace', feed: false }]);
  await world.sync('millrace');
  expect(await stateOf(sourceId)).toMatchObject({ kind: 'interface', failure: null, untold: ['feed'] });
  await world.school.fail([{ school: 'millrace', collection: 'results', kind: 'down' }]);
  await world.sync('millrace').catch(() => undefined);
  expect(await stateOf(sourceId)).toMatchObject({ failure: 'source-down' });
});

it('is done at the command line as well', async () => {
  const cadro = async (...args: string[]): Promise<string[]> => {
    const lines: string[] = [];
    await cadroCommand((line) => lines.push(line)).parseAsync(args, { from: 'user' });
    return lines;
  };
  const [said = ''] = await cadro('add-bundle-source', 'By hand', '--zone', 'America/Halifax');
  const sourceId = said.replace('source ', '');
  const path = await bundleOf({ ...small, lineItems: many as never, results: [] });
  expect(await cadro('read-bundle', sourceId, path)).toEqual([
    expect.stringMatching(/^bundle \S+ will be read/),
  ]);
  expect(await cadro('read-bundle', sourceId, path)).toEqual(['That exact file is already here.']);
  await world.workOff();
  await cadro(
    'read-bundle',
    sourceId,
    await bundleOf({ lineItems: many.slice(0, 10) as never }, { lineItems: 'bulk' }),
  );
  await world.workOff();
  const [asking = ''] = await cadro('bundles', sourceId);
  expect(asking).toContain('would remove 40 of 50 items');
  expect(await cadro('answer-bundle', asking.split('\t')[0] ?? '', 'stop')).toEqual(['Done.']);
  await expect(cadro('answer-bundle', asking.split('\t')[0] ?? '', 'take')).rejects.toThrow(
    'isn’t waiting for an answer',
  );
  await expect(cadro('add-bundle-source', 'X', '--zone', 'Atlantis/Deep')).rejects.toThrow(
    'isn’t a time zone',
  );
});

it('finds what lies in a school’s folder, once, when it lies still', async () => {
  const { sourceId, name } = await addSchool();
  const folder = mkdtempSync(join(tmpdir(), 'cadro-folder-'));
  try {
    expect(await lookForBundles(world, folder)).toBe(0);
    mkdirSync(join(folder, name));
    mkdirSync(join(folder, 'Somebody else'));
    const files = [join(folder, name, 'one.zip'), join(folder, 'Somebody else', 'two.zip')];
    for (const file of files) copyFileSync(await bundleOf(small), file);
    writeFileSync(join(folder, name, 'notes.txt'), 'x');
    expect(await lookForBundles(world, folder)).toBe(0);
    for (const file of files) utimesSync(file, 1_700_000_000, 1_700_000_000);
    expect(await lookForBundles(world, folder)).toBe(1);
    expect(await lookForBundles(world, folder)).toBe(0);
    await world.workOff();
    expect((await stateOf(sourceId)).bundles).toMatchObject([{ name: 'one.zip', state: 'done' }]);
  } finally {
    rmSync(folder, { recursive: true });
  }
});
