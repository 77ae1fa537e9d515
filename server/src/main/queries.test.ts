import {
  alertRoutes,
  allRoutes,
  announcementRoutes,
  calendarRoutes,
  followUpRoutes,
  gradebookRoutes,
  householdRoutes,
  meetingRoutes,
  messageRoutes,
  newsRoutes,
  noteRoutes,
  outlookRoutes,
  workRoutes,
} from '@cadro/contract';
import type { Agent } from 'supertest';
import { groupBy, personalDb } from '../kit';
import { World } from '../testing/world';

/* What a page asks of the database does not grow with the number of children. */
const more = 12;
let world: World;
let one: Agent;
let many: Agent;

/** Rows of a table once more for each brother or sister, under ids of their own. */
async function copyRows(table: string, of: Readonly<Record<string, unknown>>): Promise<void> {
  const columns: string[] = await world
    .db('information_schema.columns')
    .where({ table_schema: 'public', table_name: table, is_generated: 'NEVER', is_identity: 'NO' })
    .pluck('column_name');
  const own: Readonly<Record<string, string>> = {
    id: table === 'students' ? 'w.id' : 'gen_random_uuid()',
    student_id: 'w.id',
    external_id: `t.external_id || '-' || w.n`,
  };
  const values = columns.map((column) => own[column] ?? `t.${column}`);
  await world.db.raw(
    `insert into ${table} (${columns.join()}) select ${values.join()} from ${table} t, twins w
     where ${Object.keys(of)
       .map((column) => `t.${column} = ?`)
       .join(' and ')}`,
    Object.values(of) as string[],
  );
}

beforeAll(async () => {
  world = await World.read('once');
  const isolde = world.student('isolde');
  await world.household('small', [{ name: 'one', children: ['isolde'] }]);
  await world.household('large', [{ name: 'many', children: ['isolde'] }]);
  await world.db.raw(
    'create table twins as select gen_random_uuid() as id, n from generate_series(1, ?::int) n',
    [more],
  );
  await copyRows('students', { id: isolde });
  for (const table of ['enrolments', 'results', 'comments', 'attendance_marks'])
    await copyRows(table, { student_id: isolde });
  await world.db.raw(
    `insert into guardian_links (student_id, guardian_id, role, linked_at)
     select w.id, g.id, 'guardian', l.linked_at from twins w, guardians g
     join guardian_links l on l.guardian_id = g.id where g.email = 'many@test.example'`,
  );
  const twins: string[] = await world.db('twins').pluck('id');
  await world.db.raw('drop table twins');
  await world.compute(...twins);
  one = await world.signedIn('one');
  many = await world.signedIn('many');
});
afterAll(() => world.stop());

const week = '?from=2026-10-19&to=2026-10-25';
const pages: readonly (readonly [name: string, path: string])[] = [
  ['who is signed in', householdRoutes.me.path],
  ['the Brief', outlookRoutes.brief.path],
  ['what is new', newsRoutes.news.path],
  ['Courses', gradebookRoutes.courses.path],
  ['Work', workRoutes.work.path],
  ['the calendar', `${calendarRoutes.calendar.path}${week}`],
  ['the alerts', alertRoutes.list.path],
  ['the digest as it would be', alertRoutes.digest.path],
  ['the follow-ups', followUpRoutes.list.path],
  ['the letters', messageRoutes.threads.path],
  ['the announcements', announcementRoutes.list.path],
  ['the meetings', meetingRoutes.list.path],
  ['the notes', noteRoutes.list.path],
];

interface Asked {
  readonly sql: string;
  readonly bindings: readonly string[];
}
/** What a page asks where no answer stands, once whatever is asked at its first time has been. */
async function askedBy(agent: Agent, path: string): Promise<Asked[]> {
  await agent.get(path).expect(200);
  await world.db('kept_answers').delete();
  const asked: Asked[] = [];
  const note = (each: Asked) => {
    if (!/\bkept_answers\b|\bcadro_scopes\b/.test(each.sql)) asked.push(each);
  };
  world.db.on('query', note);
  await agent.get(path).expect(200);
  world.db.removeListener('query', note);
  return asked;
}

it.each(pages)('%s', async (_name, path) => {
  const statementsOf = async (agent: Agent) => (await askedBy(agent, path)).map(({ sql }) => sql);
  const [few, lots] = [await statementsOf(one), await statementsOf(many)];
  // Which of them are asked may lie in what has been seen since; none is asked once for each child.
  const most = Math.max(0, ...[...groupBy(lots, (sql) => sql).values()].map(({ length }) => length));
  expect(lots.length).toBeLessThan(few.length + more / 2);
  expect(most).toBeLessThan(more / 2);
});

/** Tables that grow with the children; a school's own few rows may be read through. */
const large = [
  ...['students', 'courses', 'enrolments', 'items', 'results', 'comments', 'attendance_marks', 'change_log'],
  ...[
    'announcements',
    'current_figures',
    'assumed_figures',
    'guardians',
    'guardian_links',
    'alerts',
    'followups',
  ],
  ...[
    'threads',
    'messages',
    'notes',
    'plan_tasks',
    'calendar_entries',
    'meetings',
    'household_marks',
    'hand_ins',
  ],
];

/** How the database would answer all that a page asks, line by line. */
async function plansOf(path: string): Promise<string[]> {
  // Of an empty list nothing is read, whatever the plan says.
  const asked = (await askedBy(many, path)).filter(
    ({ sql }) => /^\s*(select|with)\b/.test(sql) && !/\b1 = \$\d/.test(sql),
  );
  const personal = personalDb(world.db, await world.personId('many'));
  return personal.transaction(async (trx) => {
    // Small tables are read through at once; where that is dear, an index is taken if there is one that helps.
    await trx.raw('set local enable_seqscan = off');
    const found: string[] = [];
    for (const { sql, bindings } of asked) {
      const { rows } = await trx.raw<{ rows: { 'QUERY PLAN': string }[] }>(
        `explain ${sql.replace(/\$\d+/g, '?')}`,
        [...bindings],
      );
      found.push(...rows.map((row) => row['QUERY PLAN']));
    }
    return found;
  });
}

it.each(pages)('reads through no large table for %s', async (_name, path) => {
  const plans = await plansOf(path);
  expect(plans.length).toBeGreaterThan(0);
  const through = plans.flatMap((line) => /Seq Scan on (\w+)/.exec(line)?.[1] ?? []);
  expect(through.filter((table) => large.includes(table))).toEqual([]);
});

it('makes an answer that stands of nothing but what tells that it was touched', async () => {
  const stands = [...allRoutes].filter((route) => route.stands);
  expect(stands.map(({ path }) => path)).toContain(outlookRoutes.brief.path);
  const tells: string[] = await world
    .db('information_schema.triggers')
    .where({ trigger_name: 'touched_by_update' })
    .pluck('event_object_table');
  for (const { path } of stands) {
    const read = (await plansOf(path)).flatMap(
      (line) => /Scan.* on (?:public\.)?([a-z_]+)/.exec(line)?.[1] ?? [],
    );
    const tables: string[] = await world
      .db('information_schema.tables')
      .where({ table_schema: 'public', table_type: 'BASE TABLE' })
      .whereIn('table_name', read)
      .pluck('table_name');
    expect(tables.length).toBeGreaterThan(10);
    expect(tables.filter((table) => !tells.includes(table) && table !== 'demo_clock')).toEqual([]);
  }
});
