import { roundsJob, upkeepJob } from '@cadro/server/alerts';
import { ownHooks } from '@cadro/server/hooks';
import { startWorker } from '@cadro/server/jobs';
import { addJobs, newLog, readConfig, untilIdle, type Clock, type Db } from '@cadro/server/kit';
import { joined, wholeOf, type PartOfRecord } from '@cadro/server/records';
import { benchDatabase, coursesEach, fillDistrict } from './district';
import { postgresOf, secondsUnder } from './processorTime';

/*
 * One school day of a district, from eight in the morning to nine in the evening, read every quarter of an hour: each
 * course gives out or collects work every few days, every second course has a work of the whole class marked at some time
 * of the day, everybody's morning is marked, and in the evening what guardians are told goes out. The worker's own jobs do
 * it; what is counted is the processor time of the worker and of PostgreSQL.
 */
const children = Number(process.env['BENCH_CHILDREN'] ?? 2_000);
const zoneHour = 3;
const quarterMs = 15 * 60 * 1000;
const at = (hour: number, on = '2026-10-20'): Date =>
  new Date(Date.parse(`${on}T00:00:00Z`) + (hour + zoneHour) * 4 * quarterMs);

/** Work of this week beside that of the term so far: due at three, one course in four on each day. */
const thisWeek = `
insert into items (source_id, external_id, course_id, category_id, title, possible, assigned_at, due_at, kind)
select c.source_id, c.external_id || 'w' || n, c.id, k.id, 'This week ' || n, 20,
  '2026-10-16 18:00Z', '2026-10-19 18:00Z'::timestamptz + n * interval '1 day', null
from courses c join categories k on k.external_id = 'k0', generate_series(0, 3) n
where abs(hashtext(c.external_id)) % 4 = n`;

/** What is marked within a quarter: the last work of a class that has no result yet, each course at its own time. */
const marked = `
insert into results (student_id, item_id, at, status, earned, late, known_at)
select e.student_id, i.id, :now, case when luck % 20 = 0 then 'missing' else 'scored' end,
  case when luck % 20 = 0 then null else 12 + luck % 9 end, false, :now
from courses c
join items i on i.course_id = c.id and i.external_id = c.external_id || 'i11'
join enrolments e on e.course_id = c.id,
  lateral (select abs(hashtext(e.student_id::text || i.id::text)) as luck) l
where abs(hashtext(c.external_id || 'marked')) % 104 = :quarter
returning student_id, (select i.course_id from items i where i.id = item_id) as course_id`;

const morning = `
insert into attendance_marks (student_id, on_date, period, source_id, external_id, code, known_at)
select id, '2026-10-20', 'day', source_id, external_id || 'today',
  case when abs(hashtext(id::text || 'today')) % 15 = 0 then 'A' else 'P' end, :now
from students returning student_id, null::uuid as course_id`;

const lastQuarter = 52;
const morningQuarter = 4;
const longestMs = 600_000;

interface Day {
  readonly db: Db;
  readonly sourceId: string;
  /** Moves the clock on. */
  readonly to: (instant: Date) => void;
}

/** A reading as the worker does it: what it brings, in pieces, and its end. */
async function reading({ db, sourceId }: Day, now: Date, parts: readonly PartOfRecord[]): Promise<void> {
  for (let from = 0; from < parts.length; from += 500) {
    const some = parts.slice(from, from + 500);
    await db.transaction((trx) => ownHooks.reading.onRecords(trx, some, { now, half: false }));
  }
  await db('sources').update({ read_at: now });
  await ownHooks.reading.onReading(db, sourceId, { whole: true, now });
}

async function schoolDay(day: Day): Promise<void> {
  const { db } = day;
  const written = async (sql: string, given: object): Promise<PartOfRecord[]> => {
    const { rows } = await db.raw<{ rows: { student_id: string; course_id: string | null }[] }>(sql, {
      ...given,
    });
    return rows.map(({ student_id: studentId, course_id: course }) => ({
      ...{ studentId, courses: course === null ? [] : [course], attendance: course === null },
    }));
  };
  for (let quarter = 0; quarter <= lastQuarter; quarter += 1) {
    const now = new Date(at(8).getTime() + quarter * quarterMs);
    day.to(now);
    const parts = await written(marked, { now, quarter });
    if (quarter === morningQuarter) parts.push(...(await written(morning, { now })));
    await reading(day, now, joined(parts));
    const hourly = quarter % 4 === 0 ? [upkeepJob] : [];
    await addJobs(db, [...hourly, roundsJob]);
    await untilIdle(db, longestMs);
  }
}

/** How many courses' figures were computed and how many courses were looked at, from the statements that put it down. */
function counted(db: Db): { figures: number; looks: number } {
  const counts = { figures: 0, looks: 0 };
  db.on('query', ({ sql, bindings }: { sql: string; bindings: readonly unknown[] }) => {
    if (sql.includes('insert into current_figures'))
      counts.figures += (JSON.parse(String(bindings.at(-1))) as unknown[]).length;
    if (sql.startsWith('delete from looks_due d using unnest'))
      for (const course of bindings[1] as readonly (string | null)[])
        counts.looks += course === null ? coursesEach : 1;
  });
  return counts;
}

/** A worker that works in this process; what it would mail is counted. */
async function workerOn(db: Db, clock: Clock) {
  const settings = {
    DATABASE_URL: process.env['BENCH_DATABASE_URL'],
    CADRO_SECRET: 'a secret for benches alone, forty characters',
    SMTP_URL: 'smtp://127.0.0.1:1',
    CADRO_INBOUND_MAIL_KEY: 'nobody posts mail here',
  };
  const sent = { mails: 0 };
  const transport = { sendMail: async () => ((sent.mails += 1), { messageId: String(sent.mails) }) };
  const deps = { db, clock, config: readConfig(settings), transport: transport as never };
  return { sent, worker: await startWorker(deps, newLog('silent'), { byTheClock: false }) };
}

/** Prints what a school day costs in processor time, as minutes for a hundred thousand children. */
export async function benchDay(): Promise<void> {
  const db = await benchDatabase('day');
  let now = at(21, '2026-10-19');
  const clock: Clock = { now: () => Promise.resolve(now) };
  await fillDistrict(db, children);
  await db.raw(thisWeek);
  const postgres = await postgresOf(db);
  const { worker, sent } = await workerOn(db, clock);
  const [sourceId = ''] = await db('sources').pluck<string[]>('id');
  const day: Day = { db, sourceId, to: (instant) => (now = instant) };
  // The evening before: everything is reckoned and looked at once.
  await reading(day, now, wholeOf(await db('students').pluck('id')));
  await untilIdle(db, longestMs);
  await db.raw('analyze');
  const counts = counted(db);
  const before = { worker: process.cpuUsage(), postgres: secondsUnder(postgres), mails: sent.mails };
  const started = performance.now();
  await schoolDay(day);
  const { user, system } = process.cpuUsage(before.worker);
  const worked = (user + system) / 1e6;
  const asked = secondsUnder(postgres) - before.postgres;
  await worker.stop();
  await db.destroy();
  const each = (count: number) => (count / children).toFixed(1).padStart(6);
  const minutes = (seconds: number) => ((seconds / 60) * (100_000 / children)).toFixed(1).padStart(6);
  console.log(`day: one school day of ${children} children, ${coursesEach} courses each`);
  console.log(`figures computed   ${each(counts.figures)} courses a child`);
  console.log(`looked at          ${each(counts.looks)} courses a child`);
  console.log(`mails              ${each(sent.mails - before.mails)} a child`);
  console.log(`worker             ${minutes(worked)} minutes of processor time for 100,000`);
  console.log(`PostgreSQL         ${minutes(asked)}`);
  console.log(`together           ${minutes(worked + asked)} (at most 15)`);
  console.log(`took ${((performance.now() - started) / 1000).toFixed(0)} s`);
}
