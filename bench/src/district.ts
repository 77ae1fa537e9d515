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

/** What a table is filled with: its name with the columns, and the statement whose rows they are. */
type Filling = readonly [into: string, select: string];

/** The school, and who is in which class. */
const enrolled = (children: number): readonly Filling[] => [
  [
    'sources (name, base_url, client_id, client_secret_sealed, complete_at, read_at)',
    `select 'District', 'http://127.0.0.1:1/d', 'c', 'x', '2026-09-01', '2026-10-20'`,
  ],
  [
    'schools (source_id, external_id, name, time_zone)',
    `select id, 's', 'A school', 'America/Halifax' from sources`,
  ],
  [
    'terms (source_id, external_id, title, starts_on, ends_on)',
    `select id, 't', 'Quarter', '2026-09-01', '2026-11-06' from sources`,
  ],
  ['teachers (source_id, external_id, name)', `select id, 'p', 'A teacher' from sources`],
  [
    'courses (source_id, external_id, school_id, term_id, title, policy)',
    `select s.source_id, 'c' || n, s.id, t.id, 'Course ' || n, '${policy}'::jsonb
     from schools s, terms t, generate_series(0, ${Math.ceil(children / classSize) * coursesEach} - 1) n`,
  ],
  [
    'categories (source_id, external_id, title, weight)',
    `select id, 'k' || n, 'Kind ' || n, 1 from sources, generate_series(0, 2) n`,
  ],
  [
    'students (source_id, external_id, school_id, given_name, family_name, year)',
    `select s.source_id, 'x' || n, s.id, 'Child ' || n, 'Of the district', 'Year 8'
     from schools s, generate_series(0, ${children} - 1) n`,
  ],
  [
    'enrolments (student_id, course_id, source_id, external_id, active)',
    `select s.id, c.id, s.source_id, s.external_id || c.external_id, true
     from students s, generate_series(0, ${coursesEach} - 1) k, courses c
     where c.external_id = 'c' || (substr(s.external_id, 2)::int / ${classSize} * ${coursesEach} + k)`,
  ],
];

/** What came of a term, and who looks at it. */
const lived = (children: number): readonly Filling[] => [
  [
    'items (source_id, external_id, course_id, category_id, title, possible, assigned_at, due_at, kind)',
    `select c.source_id, c.external_id || 'i' || n, c.id, k.id, 'Work ' || n, 20,
       '2026-09-01'::timestamptz + n * interval '4 days', '2026-09-04'::timestamptz + n * interval '4 days',
       case when n % 6 = 5 then 'test' end
     from courses c, generate_series(0, ${itemsEach} - 1) n
     join categories k on k.external_id = 'k' || (n % 3)`,
  ],
  [
    'results (student_id, item_id, at, status, earned, late)',
    `select e.student_id, i.id, i.due_at + interval '1 day',
       case when hash % 20 = 0 then 'missing' else 'scored' end,
       case when hash % 20 = 0 then null else 12 + hash % 9 end, false
     from enrolments e join items i on i.course_id = e.course_id,
       lateral (select abs(hashtext(e.student_id::text || i.id::text)) as hash) h
     where i.due_at < '2026-10-18'`,
  ],
  [
    'attendance_marks (student_id, on_date, period, source_id, external_id, code)',
    `select s.id, d::date, 'day', s.source_id, s.external_id || d::date,
       case when abs(hashtext(s.id::text || d)) % 15 = 0 then 'A' else 'P' end
     from students s, generate_series('2026-09-07'::date, '2026-10-20'::date, '1 day') d
     where extract(isodow from d) < 6`,
  ],
  [
    'attendance_codes (source_id, external_id, code, kind, excused, label)',
    `select id, 'a', 'A', 'absent', false, 'Absent' from sources
     union all select id, 'p', 'P', 'present', false, 'Present' from sources`,
  ],
  ['households (name)', `select 'Household ' || n from generate_series(0, ${children} - 1) n`],
  [
    'guardians (household_id, email, password_hash, name, given_name, confirmed_at)',
    `select id, 'g' || substr(name, 11) || '@bench.example', 'x', 'Guardian ' || substr(name, 11), 'G', '2026-09-01'
     from households`,
  ],
  [
    'guardian_links (student_id, guardian_id, role, linked_at)',
    `select s.id, g.id, 'guardian', '2026-09-01' from students s
     join guardians g on g.email = 'g' || substr(s.external_id, 2) || '@bench.example'`,
  ],
];

/**
 * Children in classes, each class with courses of its own; a household with one guardian for each child; a term of works
 * and results. Every table is filled by COPY, from a file of the server's own.
 */
export async function fillDistrict(db: Db, children: number): Promise<void> {
  const { rows } = await db.raw<{ rows: { data_directory: string }[] }>('show data_directory');
  const file = `${rows[0]?.data_directory ?? ''}/bench-rows`;
  for (const [into, select] of [...enrolled(children), ...lived(children)]) {
    const table = into.slice(0, into.indexOf(' '));
    await db.raw(`copy (${select}) to '${file}'`);
    // Nobody has asked yet: no answer stands that these rows would touch.
    await db.raw(`alter table ${table} disable trigger user`);
    await db.raw(`copy ${into} from '${file}'`);
    await db.raw(`alter table ${table} enable trigger user`);
    await db.raw(`analyze ${table}`);
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
