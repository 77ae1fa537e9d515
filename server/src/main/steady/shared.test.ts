import { alertRoutes, entryRoutes, noteRoutes } from '@cadro/contract';
import { once } from 'node:events';
import { createServer, get, type IncomingMessage, type Server as HttpServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { createTransport } from 'nodemailer';
import pino from 'pino';
import request from 'supertest';
import { addJobs, openDatabase, systemClock, untilIdle, type Db } from '../../kit';
import { cookieOf, World } from '../../testing/world';
import { lookAtChildren, roundsJob, upkeepJob } from '../../alerts';
import { withWords } from '../../testing/alertRules';
import { buildServer, type Server } from '../app';
import { startWorker } from '../jobs';
import { WorkerFigures } from '../metrics';
import { note } from './note';

/* Two servers and two workers on one database: what is to be done is shared, and nothing is done twice. */
const log = pino({ level: 'silent' });
const evenings = Array.from({ length: 8 }, (_, day) => `2026-10-${21 + day}T22:30:00Z`);

interface Worker {
  readonly working: Awaited<ReturnType<typeof startWorker>>;
  readonly figures: WorkerFigures;
  readonly db: Db;
}

async function startOne({ clock, config }: World): Promise<Worker> {
  const db = openDatabase(config.databaseUrl, { poolSize: 6 });
  const figures = new WorkerFigures(db);
  const transport = createTransport(config.smtpUrl);
  const working = await startWorker({ db, clock, config, transport }, log, { byTheClock: false, figures });
  return { working, figures, db };
}

/** How many jobs a worker has ended, by how. */
async function endedBy({ figures }: Worker): Promise<Record<'done' | 'failed', number>> {
  const text = await figures.text();
  const of = (end: string) =>
    [...text.matchAll(new RegExp(`^cadro_jobs_total\\{.*end="${end}".*\\} (\\d+)$`, 'gm'))].reduce(
      (sum, [, count]) => sum + Number(count),
      0,
    );
  return { done: of('done'), failed: of('failed') };
}

/** A family whose children have been looked at once, so that from here on what is new is told. */
async function family(world: World): Promise<void> {
  await world.household('here', [
    { name: 'maren', children: ['caspian', 'isolde'] },
    { name: 'tobiah', children: ['caspian'] },
  ]);
  for (const name of ['maren', 'tobiah']) {
    const agent = await world.signedIn(name);
    const { delivery } = (await agent.get(alertRoutes.settings.path).expect(200)).body;
    await agent
      .patch(alertRoutes.changeSettings.path)
      .send({ rules: withWords, delivery: { ...delivery, digest: 'daily', digestHour: 16 } })
      .expect(200);
  }
  await lookAtChildren(
    world,
    ['caspian', 'isolde'].map((child) => world.student(child)),
  );
}

/** The days of the story, each asked for as often as there are workers: every one of them has a clock. */
async function livedThrough(workers: number): Promise<{ world: World; workers: Worker[] }> {
  const world = await World.read();
  await family(world);
  const started = await Promise.all(Array.from({ length: workers }, () => startOne(world)));
  for (const evening of evenings) {
    await world.moveTo(evening);
    // What is read is read before the digests are made, whoever is faster.
    for (const jobs of [[{ task: 'syncAll', payload: {}, key: 'sync' }], [upkeepJob, roundsJob]]) {
      await Promise.all(started.map(({ db }) => addJobs(db, jobs)));
      expect(await untilIdle(world.db, 120_000)).toBe(true);
    }
  }
  return { world, workers: started };
}

const told = async (world: World): Promise<string[]> => {
  const rows = await world
    .db('deliveries as d')
    .join('guardians as g', 'g.id', 'd.guardian_id')
    .leftJoin('alerts as a', 'a.id', 'd.alert_id')
    .select<{ name: string; about: string; channel: string; kind: string | null; state: string }[]>(
      'g.name',
      'd.about',
      'd.channel',
      'a.kind',
      'd.state',
    );
  return rows.map((row) => Object.values(row).join()).sort();
};

const arrived = async (world: World): Promise<number> => {
  const answer = await fetch(`${world.school.url}/demo/arrivals`);
  return ((await answer.json()) as { arrivals: unknown[] }).arrivals.length;
};

describe('two workers', () => {
  let two: Awaited<ReturnType<typeof livedThrough>>;
  let alone: Awaited<ReturnType<typeof livedThrough>>;
  beforeAll(async () => {
    two = await livedThrough(2);
    alone = await livedThrough(1);
  });
  afterAll(async () => {
    for (const { world, workers } of [two, alone]) {
      for (const { working, db } of workers) {
        await working.stop();
        await db.destroy();
      }
      await world.stop();
    }
  });

  it('both do some of it, and none of it fails', async () => {
    const ended = await Promise.all(two.workers.map(endedBy));
    expect(ended.map(({ failed }) => failed)).toEqual([0, 0]);
    for (const { done } of ended) expect(done).toBeGreaterThan(0);
  });

  it('tell what one would have told, and each of it once', async () => {
    const said = await told(two.world);
    expect(said.length).toBeGreaterThan(5);
    expect(said).toEqual(await told(alone.world));
    expect(await arrived(two.world)).toBe(await arrived(alone.world));
  });
});

describe('two servers', () => {
  let world: World;
  let other: Server;
  let http: HttpServer;
  let db: Db;
  beforeAll(async () => {
    world = await World.read();
    await family(world);
    db = openDatabase(world.config.databaseUrl, { poolSize: 6 });
    const { clock, config } = world;
    other = buildServer({ db, clock, config, log, wall: systemClock, databaseAnswersMs: 15_000 });
    http = createServer(other.app).listen(0, '127.0.0.1');
    await once(http, 'listening');
  });
  afterAll(async () => {
    http.closeAllConnections();
    http.close();
    await other.close();
    await db.destroy();
    await world.stop();
  });

  it('know who has signed in at one of them, and do once what is asked of both', async () => {
    const cookie = cookieOf(await world.signedIn('maren'));
    const key = '"asked-of-both"';
    const asked = (of: Server) =>
      request(of.app)
        .post(entryRoutes.create.path)
        .set({ cookie, 'idempotency-key': key })
        .send(note('Asked of both'));
    const answers = await Promise.all([world.server, other].flatMap((each) => [asked(each), asked(each)]));
    const made = answers.filter(({ status }) => status === 201).map(({ body }) => body.id as string);
    expect(new Set(made).size).toBe(1);
    expect(answers.filter(({ status, body }) => status !== 201 && body.code !== 'under-way')).toEqual([]);
    expect(await world.db('calendar_entries').where({ title: 'Asked of both' })).toHaveLength(1);
  });

  it('tell those who hang on one of them what was written at the other', async () => {
    const cookie = cookieOf(await world.signedIn('maren'));
    const { port } = http.address() as AddressInfo;
    const stream = get({ port, path: alertRoutes.live.path, headers: { cookie } });
    const [answer] = (await once(stream, 'response')) as [IncomingMessage];
    const heard = new Promise<string>((said) => {
      answer.on('data', (piece: Buffer) => {
        if (String(piece).includes('event:')) said(String(piece));
      });
    });
    const tobiah = await world.signedIn('tobiah');
    const written = {
      studentId: world.student('caspian'),
      on: '2026-10-20',
      text: 'A quiet day',
      shared: true,
    };
    await tobiah.post(noteRoutes.write.path).send(written).expect(201);
    expect(await heard).toMatch(/notes/);
    stream.destroy();
  });
});
