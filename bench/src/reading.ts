import { once } from 'node:events';
import { Agent, createServer, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { briefOf } from '@cadro/server/brief';
import { ownHooks } from '@cadro/server/hooks';
import { childrenFor } from '@cadro/server/household';
import { keptAnswer, personalDb, type Clock, type Db } from '@cadro/server/kit';
import { benchDatabase, fillDistrict } from './district';
import { quantile } from './measure';

/*
 * How many Briefs a server answers, beside a bare server of the same kind: one that reads, each by its index and with
 * nothing made of it, every table that a Brief cannot do without, and one that asks for the number 1. All of them answer
 * over HTTP from this process, and are asked from it, in turns: what asking costs is part of each.
 */
const children = 1_000;
/** So many of their guardians ask, in turns. */
const guardians = 100;
const rounds = 12;
const roundMs = 1_500;
const atOnce = 8;
const now = new Date('2026-10-20T20:00:00Z');
const clock: Clock = { now: () => Promise.resolve(now) };

/** A table of the Brief, and the column by which a guardian's rows of it are found. */
const least = [
  ['guardian_links', 'guardian_id'],
  ['students', 'id'],
  ['sources', 'id'],
  ['enrolments', 'student_id'],
  ['items', 'course_id'],
  ['current_figures', 'student_id'],
  ['assumed_figures', 'student_id'],
  ['comments', 'student_id'],
  ['attendance_marks', 'student_id'],
  ['announcements', 'course_id'],
  ['followups', 'student_id'],
  ['threads', 'student_id'],
  ['desk_words', 'student_id'],
  ['meetings', 'household_id'],
  ['calendar_entries', 'household_id'],
  ['alerts', 'guardian_id'],
] as const;

interface Ids {
  readonly guardian_id: string;
  readonly household_id: string;
  readonly student_id: string;
  readonly source_id: string;
  readonly courses: readonly string[];
}
const idsOf = (db: Db): Promise<Ids[]> =>
  db('guardians as g')
    .join('guardian_links as l', 'l.guardian_id', 'g.id')
    .join('students as s', 's.id', 'l.student_id')
    .join('enrolments as e', 'e.student_id', 's.id')
    .groupBy('g.id', 's.id')
    .orderBy('g.email')
    .limit(guardians)
    .select<Ids[]>(
      'g.id as guardian_id',
      'g.household_id',
      's.id as student_id',
      's.source_id',
      db.raw('array_agg(e.course_id) as courses'),
    );

const valueOf = (ids: Ids, table: string, column: (typeof least)[number][1]): readonly string[] => {
  if (column === 'course_id') return ids.courses;
  if (column === 'id') return [table === 'sources' ? ids.source_id : ids.student_id];
  return [ids[column]];
};

const madeBrief = async (db: Db, by: Clock, id: string): Promise<string> => {
  const own = personalDb(db, id);
  return JSON.stringify(await briefOf({ db: own, clock: by }, id, await childrenFor(own, id, 'read-record')));
};

type Answer = (ids: Ids) => Promise<unknown>;
const routesOf = (db: Db): Readonly<Record<string, Answer>> => ({
  '/brief': async ({ guardian_id: guardianId }) =>
    (
      await keptAnswer({ db, clock }, { guardianId, name: 'brief', has: undefined }, (by) =>
        madeBrief(db, by, guardianId),
      )
    ).body,
  '/anew': ({ guardian_id: guardianId }) => madeBrief(db, clock, guardianId),
  '/bare': async (ids) => {
    const all: unknown[] = [];
    for (const [table, column] of least)
      all.push(await db(table).whereIn(column, [...valueOf(ids, table, column)]));
    return all;
  },
  '/one': async () => (await db.raw<{ rows: unknown[] }>('select 1 as one')).rows,
});

async function serve(db: Db, ids: readonly Ids[]): Promise<Server> {
  const routes = routesOf(db);
  let asked = 0;
  const server = createServer((incoming, outgoing) => {
    const whose = ids[asked++ % ids.length];
    const answer = routes[incoming.url ?? ''];
    if (!whose || !answer) return void outgoing.writeHead(404).end();
    answer(whose).then(
      (body) =>
        outgoing
          .writeHead(200, { 'content-type': 'application/json' })
          .end(typeof body === 'string' ? body : JSON.stringify(body)),
      (error: unknown) => outgoing.writeHead(500).end(String(error)),
    );
  });
  await once(server.listen(0, '127.0.0.1'), 'listening');
  return server;
}

/** Answers a second, with so many asked at once. */
async function throughput(url: string, agent: Agent): Promise<number> {
  const ask = () =>
    new Promise<void>((done, fail) => {
      request(url, { agent }, (answer) => {
        if (answer.statusCode !== 200) fail(new Error(`${url} answered ${answer.statusCode}`));
        answer.resume().on('end', done);
      })
        .on('error', fail)
        .end();
    });
  const started = performance.now();
  let answered = 0;
  const one = async () => {
    while (performance.now() - started < roundMs) {
      await ask();
      answered += 1;
    }
  };
  await Promise.all(Array.from({ length: atOnce }, one));
  return (answered * 1000) / (performance.now() - started);
}

/** Prints what each answers a second, and the Brief's share of the two others, each round taken in turns. */
export async function benchReading(): Promise<void> {
  const db = await benchDatabase('reading');
  await fillDistrict(db, children);
  const ids = await idsOf(db);
  for (const { student_id: id } of ids) await ownHooks.onWritten({ db, clock }, id);
  await db.raw('analyze');
  const server = await serve(db, ids);
  const agent = new Agent({ keepAlive: true, maxSockets: atOnce });
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const names = ['/brief', '/anew', '/bare', '/one'] as const;
  const seen: Record<(typeof names)[number], number>[] = [];
  for (let round = 0; round <= rounds; round += 1) {
    const found = { '/brief': 0, '/anew': 0, '/bare': 0, '/one': 0 };
    for (const name of names) found[name] = await throughput(base + name, agent);
    // The first warms up.
    if (round > 0) seen.push(found);
  }
  agent.destroy();
  server.close();
  await db.destroy();
  const line = (name: string, values: readonly number[], digits: number) => {
    const [low, middle, high] = [0.25, 0.5, 0.75].map((share) => quantile(values, share).toFixed(digits));
    console.log(`${name.padEnd(44)} ${middle} (half between ${low} and ${high})`);
  };
  console.log(`reading: the Brief of one child, ${atOnce} at once, ${rounds} rounds; answers a second`);
  line(
    'the Brief, while nothing of it is touched',
    seen.map((each) => each['/brief']),
    0,
  );
  line(
    'the Brief, made anew',
    seen.map((each) => each['/anew']),
    0,
  );
  line(
    `bare: ${least.length} statements, one for each table`,
    seen.map((each) => each['/bare']),
    0,
  );
  line(
    'bare: select 1',
    seen.map((each) => each['/one']),
    0,
  );
  line(
    'Brief made anew to bare (at least 0.5)',
    seen.map((each) => each['/anew'] / each['/bare']),
    3,
  );
  line(
    'Brief to select 1 (at least 0.2)',
    seen.map((each) => each['/brief'] / each['/one']),
    3,
  );
}
