import { lookAtChildren } from '@cadro/server/alerts';
import { type Clock, type Db } from '@cadro/server/kit';
import { benchDatabase, coursesEach, fillDistrict } from './district';

/* One day's changes over a whole district, as the worker looks at them. */
const wanted = Number(process.env['BENCH_CHILDREN'] ?? 20_000);
const atOnce = 100;
const dayMs = 24 * 60 * 60 * 1000;
const first = new Date('2026-10-20T20:00:00Z');

/** One day on: each child has one work marked, one in five of them as missing. */
async function oneDay(db: Db): Promise<void> {
  await db.raw(
    `insert into results (student_id, item_id, at, status, earned, late, known_at)
     select distinct on (e.student_id) e.student_id, i.id, '2026-10-21 15:00Z',
       case when abs(hashtext(e.student_id::text)) % 5 = 0 then 'missing' else 'scored' end,
       case when abs(hashtext(e.student_id::text)) % 5 = 0 then null else 8 end, false, '2026-10-21 20:00Z'
     from enrolments e join items i on i.course_id = e.course_id
     where i.due_at between '2026-10-16' and '2026-10-20' order by e.student_id, i.id`,
  );
}

async function lookAtAll(db: Db, clock: Clock, ids: readonly string[]) {
  let queries = 0;
  const count = () => void queries++;
  db.on('query', count);
  const started = process.hrtime.bigint();
  for (let from = 0; from < ids.length; from += atOnce) {
    await lookAtChildren({ db, clock }, ids.slice(from, from + atOnce));
  }
  const seconds = Number(process.hrtime.bigint() - started) / 1e9;
  db.removeListener('query', count);
  return { seconds, queries };
}

/** Looks at one day's changes of many children and prints how many a second, and how many queries each takes. */
export async function benchAlerts(): Promise<void> {
  const db = await benchDatabase('alerts');
  let now = first;
  const clock: Clock = { now: () => Promise.resolve(now) };
  console.log(`alerts: one day's changes of ${wanted} children, ${coursesEach} courses each`);
  await fillDistrict(db, wanted);
  const ids: string[] = await db('students').orderBy('external_id').pluck('id');
  const line = (name: string, { seconds, queries }: { seconds: number; queries: number }) =>
    console.log(
      `${name.padEnd(12)} ${seconds.toFixed(1).padStart(7)} s  ${(ids.length / seconds).toFixed(0).padStart(6)} children/s  ${(queries / ids.length).toFixed(2).padStart(6)} queries/child`,
    );
  line('first look', await lookAtAll(db, clock, ids));
  await oneDay(db);
  now = new Date(first.getTime() + dayMs);
  line('one day', await lookAtAll(db, clock, ids));
  const told = await db('deliveries').countDistinct<{ count: number }[]>('alert_id as count');
  console.log(`told: ${told[0]?.count ?? 0} alerts`);
  await db.destroy();
}
