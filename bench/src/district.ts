import { migrate, migrateQueue, openDatabase, type Db } from '@cadro/server/kit';

/* A district: many children in classes, for what is measured over all of them. */
const classSize = 25;
export const coursesEach = 6;
const itemsEach = 12;

const policy = JSON.stringify({
  method: 'weighted',
  outOf: 100,
  decimals: 1,
  letters: [
    { letter: 'A', from: 0.9 },
    { letter: 'B', from: 0.8 },
    { letter: 'C', from: 0.7 },
    { letter: 'D', from: 0 },
  ],
  termEnd: '2026-11-06T23:59:00Z',
});

/** Children in classes, each class with courses of its own; a guardian for each child; a term of works and results. */
export async function fillDistrict(db: Db, children: number): Promise<void> {
  const classes = Math.ceil(children / classSize);
  const numbers = { children, classes, classSize, coursesEach, itemsEach, policy };
  for (const sql of [
    `insert into sources (name, base_url, client_id, client_secret_sealed, complete_at, read_at)
     values ('District', 'http://127.0.0.1:1/d', 'c', 'x', '2026-09-01', '2026-10-20')`,
    `insert into schools (source_id, external_id, name, time_zone)
     select id, 's', 'A school', 'America/Halifax' from sources`,
    `insert into terms (source_id, external_id, title, starts_on, ends_on)
     select id, 't', 'Quarter', '2026-09-01', '2026-11-06' from sources`,
    `insert into teachers (source_id, external_id, name) select id, 'p', 'A teacher' from sources`,
    `insert into courses (source_id, external_id, school_id, term_id, title, policy)
     select s.source_id, 'c' || n, s.id, t.id, 'Course ' || n, :policy::jsonb
     from schools s, terms t, generate_series(0, :classes::int * :coursesEach::int - 1) n`,
    `insert into categories (source_id, external_id, title, weight)
     select id, 'k' || n, 'Kind ' || n, 1 from sources, generate_series(0, 2) n`,
    `insert into students (source_id, external_id, school_id, given_name, family_name, year)
     select s.source_id, 'x' || n, s.id, 'Child ' || n, 'Of the district', 'Year 8'
     from schools s, generate_series(0, :children::int - 1) n`,
    `insert into enrolments (student_id, course_id, source_id, external_id, active)
     select s.id, c.id, s.source_id, s.external_id || c.external_id, true
     from students s, generate_series(0, :coursesEach::int - 1) k, courses c
     where c.external_id = 'c' || (substr(s.external_id, 2)::int / :classSize::int * :coursesEach::int + k)`,
    `insert into items (source_id, external_id, course_id, category_id, title, possible, assigned_at, due_at, kind)
     select c.source_id, c.external_id || 'i' || n, c.id, k.id, 'Work ' || n, 20,
       '2026-09-01'::timestamptz + n * interval '4 days', '2026-09-04'::timestamptz + n * interval '4 days',
       case when n % 6 = 5 then 'test' end
     from courses c, generate_series(0, :itemsEach::int - 1) n
     join categories k on k.external_id = 'k' || (n % 3)`,
    `insert into results (student_id, item_id, at, status, earned, late)
     select e.student_id, i.id, i.due_at + interval '1 day',
       case when hash % 20 = 0 then 'missing' else 'scored' end,
       case when hash % 20 = 0 then null else 12 + hash % 9 end, false
     from enrolments e join items i on i.course_id = e.course_id,
       lateral (select abs(hashtext(e.student_id::text || i.id::text)) as hash) h
     where i.due_at < '2026-10-18'`,
    `insert into attendance_marks (student_id, on_date, period, source_id, external_id, code)
     select s.id, d::date, 'day', s.source_id, s.external_id || d::date,
       case when abs(hashtext(s.id::text || d)) % 15 = 0 then 'A' else 'P' end
     from students s, generate_series('2026-09-07'::date, '2026-10-20'::date, '1 day') d
     where extract(isodow from d) < 6`,
    `insert into attendance_codes (source_id, external_id, code, kind, excused, label)
     select id, 'a', 'A', 'absent', false, 'Absent' from sources
     union all select id, 'p', 'P', 'present', false, 'Present' from sources`,
    `insert into households (name) values ('Everybody')`,
    `insert into guardians (household_id, email, password_hash, name, given_name)
     select h.id, 'g' || n || '@bench.example', 'x', 'Guardian ' || n, 'G'
     from households h, generate_series(0, :children::int - 1) n`,
    `insert into guardian_links (student_id, guardian_id, role, linked_at)
     select s.id, g.id, 'guardian', '2026-09-01' from students s
     join guardians g on g.email = 'g' || substr(s.external_id, 2) || '@bench.example'`,
    `analyze`,
  ]) {
    await db.raw(sql, numbers);
  }
}

/** The empty database that the benchmarks were given. */
export async function benchDatabase(name: string): Promise<Db> {
  const url = process.env['BENCH_DATABASE_URL'];
  if (!url) throw new Error(`BENCH_DATABASE_URL is not set: start this by npm run bench -- ${name}`);
  const db = openDatabase(url);
  // Whatever was measured before it.
  await db.raw(
    'drop schema public cascade; create schema public; drop schema if exists graphile_worker cascade',
  );
  await migrate(db);
  await migrateQueue(url);
  return db;
}
