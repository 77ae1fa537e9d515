import { ownHooks } from '@cadro/server/hooks';
import { startWorker } from '@cadro/server/jobs';
import { addJobs, newLog, readConfig, untilIdle, type Clock, type Db } from '@cadro/server/kit';
import { benchDatabase, coursesEach, fillDistrict } from './district';
import { parentPid, secondsUnder } from './processorTime';

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
returning student_id`;

const morning = `
insert into attendance_marks (student_id, on_date, period, source_id, external_id, code, known_at)
select id, '2026-10-20', 'day', source_id, external_id || 'today',
  case when abs(hashtext(id::text || 'today')) % 15 = 0 then 'A' else 'P' end, :now
from students returning student_id`;

interface Day {
  readonly db: Db;
  readonly children: number;
  readonly sourceId: string;
  /** Moves the clock on. */
  readonly to: (instant: Date) => void;
}

/** A reading as the worker does it: what it brings, in pieces, and its end. */
async function reading({ db, sourceId }: Day, now: Date, ids: readonly string[]): Promise<void> {
  for (let from = 0; from < ids.length; from += 500) {
    const some = ids.slice(from, from + 500);
    await db.transaction((trx) => ownHooks.reading.onRecords(trx, some, { now, half: false }));
  }
  await db('sources').update({ read_at: now });
  await ownHooks.reading.onReading(db, sourceId, { whole: true, now });
}

async function schoolDay(day: Day): Promise<void> {
  const { db } = day;
  for (let quarter = 0; quarter <= 52; quarter += 1) {
    const now = new Date(at(8).getTime() + quarter * quarterMs);
    day.to(now);
    const { rows } = await db.raw<{ rows: { student_id: string }[] }>(marked, { now, quarter });
    const here =
      quarter === 4
        ? await db.raw<typeof rows extends never ? never : { rows: typeof rows }>(morning, { now })
        : null;
    await reading(day, now, [...new Set([...rows, ...(here?.rows ?? [])].map(({ student_id: id }) => id))]);
    if (quarter % 4 === 0) await addJobs(db, [{ task: 'lookAtGuardians', payload: {}, key: 'guardians' }]);
    await addJobs(db, [{ task: 'alertRounds', payload: {}, key: 'rounds' }]);
    await untilIdle(db, 600_000);
  }
}

export async function benchDay(): Promise<void> {
  const db = await benchDatabase('day');
  let now = at(21, '2026-10-19');
  const clock: Clock = { now: () => Promise.resolve(now) };
  await fillDistrict(db, children);
  await db.raw(thisWeek);
  const { rows } = await db.raw<{ rows: { pid: number }[] }>('select pg_backend_pid() as pid');
  const postgres = parentPid(rows[0]?.pid ?? 0);
  const url = process.env['BENCH_DATABASE_URL'] ?? '';
  const config = {
    ...readConfig({
      DATABASE_URL: url,
      CADRO_SECRET: 'a secret for benches alone, forty characters',
      SMTP_URL: 'smtp://127.0.0.1:1',
      CADRO_INBOUND_MAIL_KEY: 'x',
    }),
    letterHoldSeconds: 0,
  };
  let mails = 0;
  const transport = { sendMail: async () => void (mails += 1) };
  const worker = await startWorker({ db, clock, config, transport: transport as never }, newLog('silent'), {
    byTheClock: false,
  });
  const [source] = await db('sources').select<{ id: string }[]>('id');
  const ids: string[] = await db('students').pluck('id');
  const day: Day = { db, children, sourceId: source?.id ?? '', to: (instant) => (now = instant) };
  // The evening before: everything is reckoned and looked at once.
  await reading(day, now, ids);
  await untilIdle(db, 600_000);
  await db.raw('analyze');
  const counts = new Map<string, number>();
  const before = { worker: process.cpuUsage(), postgres: secondsUnder(postgres), mails };
  const started = performance.now();
  await schoolDay(day);
  const used = process.cpuUsage(before.worker);
  const worked = (used.user + used.system) / 1e6;
  const asked = secondsUnder(postgres) - before.postgres;
  await worker.stop();
  const per = (seconds: number) => ((seconds / 60) * (100_000 / children)).toFixed(1).padStart(6);
  console.log(
    `day: one school day of ${children} children, ${coursesEach} courses each; minutes of processor time for 100,000`,
  );
  console.log(`worker      ${per(worked)}`);
  console.log(`PostgreSQL  ${per(asked)}`);
  console.log(`together    ${per(worked + asked)} (at most 15)`);
  console.log(`took ${((performance.now() - started) / 1000).toFixed(0)} s; ${mails - before.mails} mails`);
  void counts;
  await db.destroy();
}
