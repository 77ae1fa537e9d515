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
import { groupBy, personalDb, type Trx } from '../kit';
import { World } from '../testing/world';

/* What a page asks of the database does not grow with the number of children. */
const more = 12;
let world: World;
let one: Agent;
let many: Agent;

/** Tables that grow with the children; a school's own few rows may be read through. */
const large = [
  ...['students', 'courses', 'enrolments', 'categories', 'items', 'results', 'comments', 'attendance_marks'],
  ...['change_log'],
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
  // Small tables are read through at once: the database is told that these are not.
  for (const table of large) await world.db.raw('alter table ?? set (autovacuum_enabled = false)', [table]);
  await world.db.raw(
    `update pg_class set relpages = greatest(relpages, 1), reltuples = 1000 * greatest(relpages, 1)
     where oid = any (?::regclass[])`,
    [large],
  );
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

/** One reading of a table, as the database would do it. */
interface PlanNode {
  readonly 'Relation Name'?: string;
  readonly 'Node Type': string;
  readonly 'Index Name'?: string;
  readonly 'Index Cond'?: string;
  readonly Plans?: readonly PlanNode[];
}
const nodesOf = (node: PlanNode): PlanNode[] => [node, ...(node.Plans ?? []).flatMap(nodesOf)];

/** How the database would answer a statement. */
async function planOf(trx: Trx, sql: string, bindings: readonly string[]): Promise<PlanNode[]> {
  for (const way of ['seqscan', 'hashjoin', 'mergejoin']) await trx.raw(`set local enable_${way} = off`);
  const { rows } = await trx.raw<{ rows: { 'QUERY PLAN': { Plan: PlanNode }[] }[] }>(
    `explain (format json) ${sql.replace(/\$\d+/g, '?')}`,
    [...bindings],
  );
  return rows.flatMap((row) => row['QUERY PLAN'].flatMap(({ Plan }) => nodesOf(Plan)));
}

/** How the database would answer all that a page asks. */
async function plansOf(path: string): Promise<PlanNode[]> {
  // Of an empty list nothing is read, whatever the plan says.
  const asked = (await askedBy(many, path)).filter(
    ({ sql }) => /^\s*(select|with)\b/.test(sql) && !/\b1 = \$\d/.test(sql),
  );
  const personal = personalDb(world.db, await world.personId('many'));
  return personal.transaction(async (trx) => {
    const found: PlanNode[] = [];
    for (const { sql, bindings } of asked) found.push(...(await planOf(trx, sql, bindings as string[])));
    return found;
  });
}

/** The large tables that are read from end to end: what is asked of them begins no index. */
async function readThrough(plan: readonly PlanNode[]): Promise<string[]> {
  const { rows } = await world.db.raw<{ rows: { table: string; first: string }[] }>(
    `select indrelid::regclass::text as table, pg_get_indexdef(indexrelid, 1, true) as first from pg_index`,
  );
  return plan.flatMap((node) => {
    const [table, condition] = [node['Relation Name'] ?? '', node['Index Cond'] ?? ''];
    const helps = rows.some((index) => index.table === table && condition.includes(index.first));
    const through = node['Node Type'] === 'Seq Scan' || (node['Index Name'] !== undefined && !helps);
    return through && large.includes(table) ? [`${table} ${condition}`] : [];
  });
}

it.each(pages)('reads through no large table for %s', async (_name, path) => {
  const plans = await plansOf(path);
  expect(plans.length).toBeGreaterThan(0);
  expect(await readThrough(plans)).toEqual([]);
});

it('reads through no large table to know what an answer is made of', async () => {
  const { rows } = await world.db.raw<{ rows: { text: string }[] }>(
    `select prosrc as text from pg_proc where proname = 'cadro_scopes'`,
  );
  const person = await world.personId('many');
  const plan = await world.db.transaction((trx) =>
    planOf(trx, rows[0]?.text.replace('= person', '= ?') ?? '', [person]),
  );
  expect(plan.map((node) => node['Relation Name'])).toContain('guardian_links');
  expect(await readThrough(plan)).toEqual([]);
});

it('makes an answer that stands of nothing but what tells that it was touched', async () => {
  const stands = [...allRoutes].filter((route) => route.stands);
  expect(stands.map(({ path }) => path)).toContain(outlookRoutes.brief.path);
  const tells: string[] = await world
    .db('information_schema.triggers')
    .where({ trigger_name: 'touched_by_update' })
    .pluck('event_object_table');
  for (const { path } of stands) {
    const read = (await plansOf(path)).flatMap((node) => node['Relation Name'] ?? []);
    const tables: string[] = await world
      .db('information_schema.tables')
      .where({ table_schema: 'public', table_type: 'BASE TABLE' })
      .whereIn('table_name', read)
      .pluck('table_name');
    expect(tables.length).toBeGreaterThan(10);
    expect(tables.filter((table) => !tells.includes(table) && table !== 'demo_clock')).toEqual([]);
  }
});
