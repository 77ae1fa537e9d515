import { entryRoutes, householdRoutes } from '@cadro/contract';
import { setTimeout as wait } from 'node:timers/promises';
import type { Agent } from 'supertest';
import { addJobs } from '../../kit';
import type { WireState } from '../../testing/wire';
import { World } from '../../testing/world';
import { note as noteOf } from './note';

let world: World;
let maren: Agent;

beforeAll(async () => {
  world = await World.read('once', { wired: true });
  await world.household('here', [{ name: 'maren', children: ['caspian'] }]);
  maren = await world.signedIn('maren');
});
afterAll(() => world.stop());
afterEach(() => world.wireIs('good'));

const me = () => maren.get(householdRoutes.me.path);
const note = (title: string) => maren.post(entryRoutes.create.path).send(noteOf(title));

/** Asks until it is answered, as the app does. */
async function untilAnswered(): Promise<void> {
  for (let tries = 0; tries < 2_500; tries += 1) {
    if ((await me()).status === 200) return;
    await wait(100);
  }
  throw new Error('it was not answered again');
}

describe.each<[WireState, string]>([
  ['mute', 'says nothing any more'],
  ['cut', 'was killed'],
])('a database that %s: it %s', (state) => {
  it('is told while it lasts, with when to ask again', async () => {
    await untilAnswered();
    const hung = jest.fn();
    if (state === 'mute') void world.db.raw('select pg_sleep(0.2)').then(hung, hung);
    world.wireIs(state);
    const [first, write] = await Promise.all([me(), note('Is it in?')]);
    // Long before a silent line is let go by itself.
    expect(hung).not.toHaveBeenCalled();
    for (const answer of [first, write]) {
      expect(answer.status).toBe(503);
      expect(answer.body).toMatchObject({ code: 'database-away', retryAfterSeconds: 3 });
      expect(answer.headers['retry-after']).toBe('3');
    }
    const { body } = await world.nobody.get('/readyz').expect(503);
    expect(body).toEqual({ ok: false, faults: [{ code: 'database-away' }] });
    expect((await me()).status).toBe(503);
    await world.nobody.get('/healthz').expect(200);
  });

  it('goes on by itself when it is back', async () => {
    world.wireIs(state);
    await me();
    world.wireIs('good');
    await untilAnswered();
    await world.nobody.get('/readyz?for=requests').expect(200);
  });
});

it('breaks off while nobody asks: no process ends of it, and the next one is answered', async () => {
  await untilAnswered();
  world.wireIs('cut');
  world.wireIs('good');
  await untilAnswered();
});

it('has no room for more callers: who needs one is told, and the others are answered', async () => {
  await untilAnswered();
  world.wireIs('cut');
  world.wireIs('full');
  const answer = await me();
  expect([answer.status, answer.body.code]).toEqual([503, 'database-away']);
  world.wireIs('good');
  await untilAnswered();
});

it('lets a silent line go after ten seconds, so that whoever hangs on it hears of it', async () => {
  await untilAnswered();
  const hanging = world.db.raw('select pg_sleep(0.2)').then(
    () => 'answered',
    () => 'told',
  );
  world.wireIs('mute');
  const asking = setInterval(() => void world.nobody.get('/readyz').then(() => undefined), 500);
  try {
    expect(await hanging).toBe('told');
  } finally {
    clearInterval(asking);
  }
});

describe('a worker', () => {
  const looks = () => world.db('graphile_worker.jobs').where('task_identifier', 'sealTrail').pluck('id');
  const untilDone = async () => {
    for (let tries = 0; tries < 2_500; tries += 1) {
      if ((await looks().catch(() => [0])).length === 0) return;
      await wait(100);
    }
    throw new Error('the job was not done');
  };
  const job = { task: 'sealTrail', payload: {}, key: 'seal-for-the-test' };

  it.each<WireState>(['mute', 'cut', 'full'])('lives through a database that is %s', async (state) => {
    const working = await world.startWorker({ byTheClock: false });
    try {
      world.wireIs(state);
      if (state === 'full') world.wireIs('cut');
      await wait(1_500);
      world.wireIs('good');
      await untilAnswered();
      await addJobs(world.db, [job]);
      await untilDone();
    } finally {
      await working.stop();
    }
  });

  it('begins when the database does', async () => {
    world.wireIs('cut');
    const begun = world.startWorker({ byTheClock: false });
    await wait(700);
    world.wireIs('good');
    const working = await begun;
    await untilAnswered();
    await addJobs(world.db, [job]);
    await untilDone();
    await working.stop();
  });
});
