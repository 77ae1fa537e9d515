import { once } from 'node:events';
import { Agent, createServer, request } from 'node:http';
import type { AddressInfo } from 'node:net';
import { buildServer } from '@cadro/server/app';
import { ownHooks } from '@cadro/server/hooks';
import { hashPassword } from '@cadro/server/household';
import { newLog, readConfig, type Clock, type Db } from '@cadro/server/kit';
import { benchDatabase, fillDistrict } from './district';
import { quantile } from './measure';
import { postgresOf, secondsUnder } from './processorTime';

/*
 * What every main route takes in a district of a thousand children and in one of a hundred times as many: how long an
 * answer takes, and how much processor time of the server and of PostgreSQL. Guardians of children from all over the
 * district are signed in and ask one after the other, over HTTP.
 */
const sizes = [1_000, Number(process.env['BENCH_CHILDREN'] ?? 100_000)] as const;
const guardians = 40;
const rounds = 5;
const now = new Date('2026-10-20T20:00:00Z');
const clock: Clock = { now: () => Promise.resolve(now) };
const secret = 'a secret for benches alone, forty characters';
const password = 'a long password for benches';

interface Ids {
  readonly email: string;
  readonly student_id: string;
  readonly course_id: string;
}

/** What stands is asked for both as it stands and, with nothing kept, made anew. */
const anew = ', anew';
const routes: Readonly<Record<string, (ids: Ids) => string>> = {
  Brief: () => '/api/brief',
  [`Brief${anew}`]: () => '/api/brief',
  'what is new': () => '/api/news',
  Courses: () => '/api/courses',
  [`Courses${anew}`]: () => '/api/courses',
  'a course': ({ student_id: id, course_id: course }) => `/api/students/${id}/courses/${course}`,
  Work: () => '/api/work',
  [`Work${anew}`]: () => '/api/work',
  Days: () => '/api/days',
  'a month': () => '/api/calendar?from=2026-10-01&to=2026-10-31',
  Alerts: () => '/api/alerts',
};

/** Figures of everybody: computed for those who ask, and the same of everybody else, so that the tables are as large. */
async function figuresOfAll(db: Db, ids: readonly Ids[]): Promise<void> {
  for (const { student_id: id } of ids) await ownHooks.onWritten({ db, clock }, id);
  await db.raw(
    `insert into current_figures (student_id, course_id, as_of, figures, moved, standing, ended)
     select e.student_id, e.course_id, f.as_of, f.figures, f.moved, f.standing, f.ended
     from enrolments e, (select * from current_figures limit 1) f on conflict do nothing`,
  );
  // As tables stand that have been there for long: what was copied in is looked through once, and not while it is asked.
  await db.raw('vacuum (analyze)');
}

const idsOf = async (db: Db): Promise<readonly Ids[]> => {
  const rows = await db('guardians as g')
    .join('guardian_links as l', 'l.guardian_id', 'g.id')
    .join('enrolments as e', 'e.student_id', 'l.student_id')
    .distinctOn('g.id')
    .orderBy('g.id')
    .limit(guardians)
    .select<Ids[]>('g.email', 'l.student_id', 'e.course_id');
  await db('guardians')
    .whereIn(
      'email',
      rows.map(({ email }) => email),
    )
    .update({ password_hash: await hashPassword(password) });
  return rows;
};

interface Answered {
  readonly status: number;
  readonly cookie: string;
}

function ask(
  base: string,
  agent: Agent,
  path: string,
  given: { cookie?: string; body?: object },
): Promise<Answered> {
  const body = given.body && JSON.stringify(given.body);
  const headers = {
    ...(given.cookie ? { cookie: given.cookie } : {}),
    ...(body ? { 'content-type': 'application/json', 'idempotency-key': `"${path}${body.length}"` } : {}),
  };
  return new Promise((done, fail) => {
    const asked = request(base + path, { agent, headers, method: body ? 'POST' : 'GET' }, (answer) => {
      const cookie = /cadro\.session=[^;]*/.exec(String(answer.headers['set-cookie']))?.[0] ?? '';
      answer.resume().on('end', () => done({ status: answer.statusCode ?? 0, cookie }));
    });
    asked.on('error', fail).end(body);
  });
}

/** Of one route: its answers' times, the shortest first, and processor time each, all in ms. */
interface Cost {
  readonly times: readonly number[];
  readonly processor: number;
}

async function costsIn(children: number): Promise<ReadonlyMap<string, Cost>> {
  const db = await benchDatabase('growth');
  await fillDistrict(db, children);
  const ids = await idsOf(db);
  await figuresOfAll(db, ids);
  const postgres = await postgresOf(db);
  const settings = { CADRO_SECRET: secret, SMTP_URL: 'smtp://127.0.0.1:1', CADRO_INBOUND_MAIL_KEY: 'none' };
  const http = createServer().listen(0, '127.0.0.1');
  await once(http, 'listening');
  const base = `http://127.0.0.1:${(http.address() as AddressInfo).port}`;
  const config = readConfig({
    ...{ DATABASE_URL: process.env['BENCH_DATABASE_URL'], CADRO_PUBLIC_URL: base, ...settings },
  });
  const server = buildServer({ db, clock, config, log: newLog('silent') });
  http.on('request', server.app);
  const agent = new Agent({ keepAlive: true });
  const signedIn: { ids: Ids; cookie: string }[] = [];
  for (const each of ids) {
    const { status, cookie } = await ask(base, agent, '/api/session', {
      body: { email: each.email, password },
    });
    if (status !== 200) throw new Error(`signing in was answered ${status}`);
    signedIn.push({ ids: each, cookie });
  }
  const costs = new Map<string, Cost>();
  const used = () => {
    const { user, system } = process.cpuUsage();
    return (user + system) / 1e3 + secondsUnder(postgres) * 1e3;
  };
  for (const [name, path] of Object.entries(routes)) {
    const times: number[] = [];
    let before = 0;
    for (let round = 0; round <= rounds; round += 1) {
      // The first warms up.
      if (round === 1) before = used();
      for (const { ids: own, cookie } of signedIn) {
        if (name.endsWith(anew)) await db('kept_answers').delete();
        const started = performance.now();
        const { status } = await ask(base, agent, path(own), { cookie });
        if (status !== 200) throw new Error(`${path(own)} was answered ${status}`);
        if (round > 0) times.push(performance.now() - started);
      }
    }
    costs.set(name, { times: times.sort((a, b) => a - b), processor: (used() - before) / times.length });
  }
  agent.destroy();
  http.closeAllConnections();
  http.close();
  await server.close();
  await db.destroy();
  return costs;
}

/** Prints what each route takes in both districts, and how many times as much in the larger one. */
export async function benchGrowth(): Promise<void> {
  // Whoever is asked first is asked by a program that has just begun: the smaller district once more, and that counts.
  await costsIn(sizes[0]);
  const [large, small] = [await costsIn(sizes[1]), await costsIn(sizes[0])];
  const told = (cost: Cost | undefined) => [
    quantile(cost?.times ?? [], 0.5),
    quantile(cost?.times ?? [], 0.95),
    cost?.processor ?? NaN,
  ];
  console.log(`growth: ${sizes.join(' and ')} children, filled by COPY; ms (p50, p95, processor time)`);
  for (const name of Object.keys(routes)) {
    const [one, other] = [told(small.get(name)), told(large.get(name))];
    const line = (values: readonly number[], digits: number) =>
      values.map((value) => value.toFixed(digits).padStart(7)).join('');
    const ratios = other.map((value, index) => value / (one[index] ?? NaN));
    console.log(`${name.padEnd(16)}${line(one, 1)}  ${line(other, 1)}  × ${line(ratios, 2)} (at most 1.3)`);
  }
}
