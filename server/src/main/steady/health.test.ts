import { householdRoutes } from '@cadro/contract';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { addJobs, DatabaseWatch, serveFigures, WatchedMail, type ServerDeps } from '../../kit';
import { World } from '../../testing/world';
import { Health } from '../health';
import { ServerFigures, WorkerFigures } from '../metrics';

let world: World;
let watch: DatabaseWatch;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [{ name: 'maren', children: ['caspian'] }]);
  watch = new DatabaseWatch(world.config.databaseUrl, { info: () => undefined, warn: () => undefined });
});
afterAll(async () => {
  watch.close();
  await world.stop();
});

/** What is found by somebody who has not asked a moment ago. */
const faults = (config: Partial<ServerDeps['config']> = {}) =>
  new Health({ db: world.db, config: { ...world.config, ...config } }, watch).faults();
const ago = (seconds: number) => world.db.raw(`now() - ? * interval '1 second'`, [seconds]);
const worker = (row: object) =>
  world.db('worker_processes').insert({ id: randomUUID(), worker_ids: ['worker-a'], ...row });
afterEach(() => world.db('worker_processes').delete());

it('finds nothing wrong where nothing is', async () => {
  await worker({});
  expect(await faults()).toEqual([]);
  const { body } = await world.nobody.get('/readyz').expect(200);
  expect(body).toEqual({ ok: true, faults: [] });
});

it('finds that tables are behind', async () => {
  const [last] = await world.db('migrations').orderBy('id', 'desc').limit(1).select('id', 'name');
  await world.db('migrations').where({ id: last.id }).update({ name: 'not this one' });
  expect(await faults()).toEqual([{ code: 'schema-behind' }]);
  await world.db('migrations').where({ id: last.id }).update({ name: last.name });
});

it.each([
  [90, []],
  [125, ['worker-silent']],
])('finds a worker that was silent for %i seconds: %j', async (seconds, codes) => {
  await worker({ beat_at: ago(seconds) });
  expect((await faults()).map(({ code }) => code)).toEqual(codes);
});

it('does not miss a worker that has just ended in good order', async () => {
  const health = new Health({ db: world.db, config: world.config }, watch);
  const now = jest.spyOn(performance, 'now');
  const begun = performance.now();
  now.mockReturnValue(begun + 3_600_000);
  await worker({});
  expect(await health.faults()).toEqual([]);
  await world.db('worker_processes').delete();
  now.mockReturnValue(begun + 3_600_000 + 100_000);
  expect(await health.faults()).toEqual([]);
  now.mockReturnValue(begun + 3_600_000 + 125_000);
  expect(await health.faults()).toEqual([{ code: 'worker-silent', seconds: 125 }]);
  now.mockRestore();
});

it('finds a job that waits for too long', async () => {
  await worker({});
  await addJobs(world.db, [{ task: 'sealTrail', payload: {}, key: 'late' }]);
  await world
    .db('graphile_worker._private_jobs')
    .where({ key: 'late' })
    .update({ run_at: ago(400) });
  expect(await faults({ queueLateMinutes: 10 })).toEqual([]);
  expect(await faults({ queueLateMinutes: 5 })).toEqual([
    { code: 'queue-late', seconds: expect.closeTo(400, -1) },
  ]);
  await world.db('graphile_worker._private_jobs').where({ key: 'late' }).delete();
});

it('finds that no mail is taken, and that one that lives takes it again', async () => {
  await worker({ mail_failing_since: ago(90) });
  expect(await faults()).toEqual([{ code: 'mail-refused', seconds: expect.closeTo(90, -1) }]);
  await world.db('worker_processes').update({ mail_failing_since: null });
  expect(await faults()).toEqual([]);
});

it.each([
  ['ECONNECTION', true],
  ['EAUTH', true],
  ['ETIMEDOUT', true],
  ['EENVELOPE', false],
  ['EMESSAGE', false],
])('takes %s of a mail server for trouble of its own: %s', async (code, trouble) => {
  const failing = Object.assign(new Error('no'), { code });
  let fails = true;
  const mail = new WatchedMail({ sendMail: async () => (fails ? Promise.reject(failing) : null) });
  await expect(mail.sendMail({})).rejects.toBe(failing);
  expect(mail.failingSince !== null).toBe(trouble);
  fails = false;
  await mail.sendMail({});
  expect(mail.failingSince).toBeNull();
});

it('tells what stands in front only of what keeps requests from being answered', async () => {
  await world.db('worker_processes').delete();
  await worker({ beat_at: ago(3600) });
  const health = new Health({ db: world.db, config: world.config }, watch);
  expect((await health.faults()).map(({ code }) => code)).toEqual(['worker-silent']);
  health.stopping = true;
  expect(await health.faults()).toEqual([{ code: 'stopping' }]);
});

describe('figures of operation', () => {
  it('count requests by pattern, and name nobody', async () => {
    const maren = await world.signedIn('maren');
    await maren.get(householdRoutes.me.path).expect(200);
    await maren.get(`/api/students/${world.student('caspian')}/courses`);
    const text = await world.server.figures.registry.metrics();
    expect(text).toMatch(/cadro_request_seconds_count\{[^}]*route="\/api\/me"[^}]*\} 1/);
    expect(text).toMatch(/cadro_pool_connections\{state="waiting"\} 0/);
    expect(text).toContain('cadro_database_away 0');
    expect(text).toMatch(/cadro_nodejs_eventloop_lag_p99_seconds/);
    expect(text).not.toContain(world.student('caspian'));
    expect(text).not.toContain('maren');
  });

  it('tell of the queue, of schools and of what was sent', async () => {
    await addJobs(world.db, [{ task: 'sealTrail', payload: {}, key: 'counted' }]);
    const figures = new WorkerFigures(world.db);
    figures.jobEnded('sealTrail', 'done');
    figures.jobEnded('sealTrail', 'failed');
    const server = await serveFigures(figures, { host: '127.0.0.1', port: 0 });
    const address = server.address();
    const url = `http://127.0.0.1:${typeof address === 'object' && address ? address.port : 0}`;
    const text = await (await fetch(`${url}/metrics`)).text();
    expect((await fetch(`${url}/`)).status).toBe(404);
    server.close();
    expect(text).toContain('cadro_queue_jobs{task="sealTrail",state="all"} 1');
    expect(text).toContain('cadro_jobs_total{task="sealTrail",end="failed"} 1');
    expect(text).toContain(`cadro_source_failing{source="${world.sources.get('millrace')}"} 0`);
    expect(text).not.toMatch(/Caspian|Aldervane|@/);
  });

  it('say when who asked went away before the answer', async () => {
    const figures = new ServerFigures(world.db, watch);
    const gone = { once: (_event: string, told: () => void) => told(), writableFinished: false, locals: {} };
    figures.observe({ method: 'GET' } as never, gone as never, () => undefined);
    expect(await figures.registry.metrics()).toMatch(/status="499"[^\n]*\} 1/);
  });
});

it('counts all that the alert rules and the drawings of deploy/ ask for', async () => {
  const folder = join(__dirname, '..', '..', '..', '..', 'deploy', 'prometheus');
  const said = [new ServerFigures(world.db, watch), new WorkerFigures(world.db)];
  const texts = await Promise.all(said.map((figures) => figures.text()));
  const counted = new Set(
    texts
      .join('\n')
      .match(/^# TYPE \S+/gm)
      ?.map((line) => line.slice(7)),
  );
  for (const file of ['cadro.yml', 'dashboard.json']) {
    const asked = readFileSync(join(folder, file), 'utf8').match(/\bcadro_\w+/g) ?? [];
    const names = new Set(asked.map((name) => name.replace(/_(count|bucket|sum)$/, '')));
    expect(names.size).toBeGreaterThan(5);
    expect([...names].filter((name) => !counted.has(name))).toEqual([]);
  }
});
