import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import { sourceRoutes } from '@cadro/contract';
import { addJobs } from '../../kit';
import { World } from '../../testing/world';

let world: World;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [{ name: 'maren', children: ['caspian'] }]);
});
afterAll(() => world.stop());
afterEach(() => world.db('worker_processes').delete());

const jobs = 'graphile_worker._private_jobs';
const queues = 'graphile_worker._private_job_queues';

/** A job, and the queue it is in, as a worker that was killed so many seconds ago has left them. */
async function leftBehind(secondsAgo: number): Promise<{ name: string; waiting: () => Promise<boolean> }> {
  const name = `worker-${randomUUID()}`;
  const key = `left:${name}`;
  await addJobs(world.db, [{ task: 'sealTrail', payload: {}, key, queue: key }]);
  const held = { locked_by: name, locked_at: world.db.raw(`now() - ? * interval '1 second'`, [secondsAgo]) };
  await world
    .db(jobs)
    .where({ key })
    .update({ ...held, attempts: 1 });
  await world.db(queues).where({ queue_name: key }).update(held);
  return { name, waiting: async () => (await world.db(jobs).where({ key })).length > 0 };
}
const alive = (names: string[], secondsAgo: number) =>
  world.db('worker_processes').insert({
    ...{ id: randomUUID(), worker_ids: names },
    beat_at: world.db.raw(`now() - ? * interval '1 second'`, [secondsAgo]),
  });
async function until(holds: () => Promise<boolean>): Promise<void> {
  for (let tries = 0; tries < 2_500; tries += 1) {
    if (await holds()) return;
    await wait(100);
  }
  throw new Error('it did not come to that');
}

it('does the jobs of a worker that was killed as soon as another begins', async () => {
  const left = await leftBehind(45);
  await alive([left.name], 45);
  const working = await world.startWorker({ byTheClock: false });
  await until(async () => !(await left.waiting()));
  await working.stop();
});

it('frees them while it works, too', async () => {
  const working = await world.startWorker({ byTheClock: false });
  const left = await leftBehind(45);
  await until(async () => !(await left.waiting()));
  await working.stop();
});

it('leaves to a worker that lives what it has taken, however long it takes', async () => {
  const left = await leftBehind(3600);
  await alive([left.name], 10);
  const working = await world.startWorker({ byTheClock: false });
  await wait(1500);
  expect(await left.waiting()).toBe(true);
  await working.stop();
});

it('says that it lives, and under which names, and is gone when it has ended', async () => {
  const working = await world.startWorker({ byTheClock: false });
  const [row] = await world.db('worker_processes').select('worker_ids');
  expect(row.worker_ids).toHaveLength(2);
  await working.stop();
  expect(await world.db('worker_processes').select()).toEqual([]);
});

it('shows a reading for what its job is: cut off with its worker, it is none', async () => {
  const maren = await world.signedIn('maren');
  const id = world.sources.get('millrace') ?? '';
  const coming = async () => {
    const { body } = await maren.get(sourceRoutes.sources.path).expect(200);
    return (body.sources as { id: string; coming: number | null }[]).find((source) => source.id === id)
      ?.coming;
  };
  await world
    .db('sources')
    .where({ id })
    .update({ progress: { collection: 'results', records: 120 } });
  expect(await coming()).toBeNull();
  const queue_name = `source:${id}`;
  await world.db(queues).where({ queue_name }).delete();
  await world.db(queues).insert({ queue_name, locked_by: 'worker-a', locked_at: world.db.fn.now() });
  expect(await coming()).toBe(120);
  await world.db(queues).where({ queue_name }).delete();
  await world.db('sources').where({ id }).update({ progress: null });
});
