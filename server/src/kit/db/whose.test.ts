import { permissions, roles, rolesAllowed } from '@cadro/contract';
import { tablesAlone } from '../../testing/databases';
import { openDatabase, type Db } from './database';
import { houseOf, houseTransaction, houseWithin, personalDb } from './whose';

let db: Db;
let drop: () => Promise<void>;
let url: string;
beforeAll(async () => void ({ url, db, drop } = await tablesAlone(3)));
afterAll(() => drop());

/** What a school tells everybody, what counts tries, and what only the tables themselves know. */
const nobodys = [
  ...['schools', 'terms', 'categories', 'lessons', 'lesson_notes', 'school_days', 'school_events'],
  ...['attendance_codes', 'bulletins', 'found_things', 'login_tries', 'demo_clock'],
];
/** What no request reads at all. */
const closed = [
  ...['migrations', 'migrations_lock', 'link_codes', 'arrivals', 'address_proofs', 'told_restrictions'],
  'operators',
  ...['bundles', 'bundle_parts', 'told_ids', 'out_clients', 'forwarded_mails'],
  ...['joined_children', 'joined_courses', 'course_leads', 'worker_processes', 'write_answers'],
  ...['touches', 'kept_answers'],
];

const names = async (sql: string): Promise<string[]> =>
  (await db.raw<{ rows: { name: string }[] }>(sql)).rows.map(({ name }) => name);

it('protects every table but those that are named here', async () => {
  const open = await names(
    `select relname as name from pg_class
     where relnamespace = 'public'::regnamespace and relkind = 'r' and not relrowsecurity`,
  );
  expect(open.sort()).toEqual([...nobodys, ...closed].sort());
});

it('leaves what no request reads to Cadro itself', async () => {
  const readable = await names(
    `select relname as name from pg_class, unnest(array['cadro_request', 'cadro_limited']) as role
     where relnamespace = 'public'::regnamespace and relkind = 'r' and has_table_privilege(role, oid, 'select')`,
  );
  for (const table of [...closed, 'sources', 'sync_problems']) expect(readable).not.toContain(table);
});

it('asks the policies through every view', async () => {
  const leaking = await names(
    `select relname as name from pg_class where relnamespace = 'public'::regnamespace and relkind = 'v'
       and not coalesce(reloptions, '{}') @> '{security_invoker=true}'`,
  );
  expect(leaking).toEqual([]);
});

it('lets neither role look past the rows or take another', async () => {
  const { rows } = await db.raw<{ rows: object[] }>(
    `select rolsuper, rolbypassrls, rolcanlogin, rolcreaterole from pg_roles where rolname like 'cadro\\_%' order by 1`,
  );
  const none = { rolsuper: false, rolbypassrls: false, rolcanlogin: false, rolcreaterole: false };
  expect(rows).toEqual([none, none]);
});

/** A school with two children, each with a person of their own for every role. */
async function twoFamilies() {
  const id = async (table: string, row: object): Promise<string> => {
    const [made] = await db(table).insert(row).returning<{ id: string }[]>('id');
    return made?.id ?? '';
  };
  const source = { name: 'Millrace', base_url: `http://m/${await count()}`, client_id: 'c' };
  const source_id = await id('sources', { ...source, client_secret_sealed: 'x' });
  const school_id = await id('schools', {
    ...{ source_id, external_id: 's', name: 'Millrace', time_zone: 'America/Halifax' },
  });
  const child = (external_id: string) =>
    id('students', {
      source_id,
      external_id,
      school_id,
      given_name: external_id,
      family_name: 'A',
      year: '7',
    });
  const own = await child('caspian');
  const other = await child('isolde');
  const household_id = await id('households', { name: 'Here' });
  const person = async (role: string, student_id: string) => {
    const row = { household_id, password_hash: 'x', name: role, given_name: role };
    const guardian_id = await id('guardians', { ...row, email: `${role}-${source_id}@test.example` });
    await db('guardian_links').insert({ student_id, guardian_id, role, linked_at: '2026-10-01' });
    return guardian_id;
  };
  const talk = {
    household_id,
    title: 'A talk',
    topic: 'other',
    step: 'open',
    version: 1,
    updated_at: '2026-10-01',
  };
  return { own, other, person, talk };
}
const count = async (): Promise<number> => (await db('sources').count<{ count: number }[]>())[0]?.count ?? 0;

describe.each(roles)('a connection of the role %s', (role) => {
  it('sees the own child, and of the talk what the role may', async () => {
    const { own, other, person, talk } = await twoFamilies();
    const mine = personalDb(db, await person(role, own));
    await db('followups').insert([own, other].map((student_id) => ({ ...talk, student_id })));
    expect(await mine('students').pluck('id')).toEqual([own]);
    const reads = rolesAllowed('read-talk').includes(role);
    expect(await mine('followups').pluck('student_id')).toEqual(reads ? [own] : []);
    const written = mine('followups').insert({ ...talk, student_id: own });
    if (permissions[role].some((each) => each === 'write-talk')) await written;
    else await expect(written).rejects.toMatchObject({ code: '42501' });
    await expect(mine('followups').insert({ ...talk, student_id: other })).rejects.toMatchObject({
      code: '42501',
    });
    // The connections go back to the house, which sees all again.
    expect((await houseOf(mine)('students').whereIn('id', [own, other])).length).toBe(2);
  });
});

it('asks by one line what it asks at once, and not by that of a transaction', async () => {
  const { own, person, talk } = await twoFamilies();
  const mine = personalDb(db, await person('guardian', own));
  const lineOf = async (asked: Db): Promise<number> => {
    const { rows } = await asked.raw<{ rows: { line: number }[] }>('select pg_backend_pid() as line');
    return rows[0]?.line ?? 0;
  };
  const told = () => mine('followups').where({ student_id: own }).pluck('title');
  await mine.transaction(async (trx) => {
    await trx('followups').insert({ ...talk, student_id: own });
    const [mineAlone, ...lines] = await Promise.all([lineOf(trx), ...[1, 2, 3].map(() => lineOf(mine))]);
    expect(new Set(lines).size).toBe(1);
    expect(lines).not.toContain(mineAlone);
    // What a transaction has written is not there before its end, for whoever asks beside it.
    expect(await told()).toEqual([]);
  });
  expect(await told()).toEqual(['A talk']);
});

it('answers what is asked beside a question that fails', async () => {
  const { own, person } = await twoFamilies();
  const mine = personalDb(db, await person('guardian', own));
  const asked = () => mine('students').pluck('id');
  const [before, wrong, after] = await Promise.allSettled([asked(), mine.raw('select 1 / 0'), asked()]);
  expect(wrong).toMatchObject({ status: 'rejected', reason: { code: '22012' } });
  expect([before, after]).toMatchObject([{ value: [own] }, { value: [own] }]);
});

it('is the house’s for a step within a transaction, and the person’s again', async () => {
  const { own, person } = await twoFamilies();
  const mine = personalDb(db, await person('guardian', own));
  await mine.transaction(async (trx) => {
    const seen = async () => (await trx('students').select('id')).length;
    expect(await seen()).toBe(1);
    expect(await houseWithin(trx, seen)).toBeGreaterThan(1);
    expect(await seen()).toBe(1);
  });
  expect(
    await houseTransaction(mine, async (trx) => (await trx('students').select('id')).length),
  ).toBeGreaterThan(1);
});

it('goes by the links of this moment, on a connection that was the same person’s before', async () => {
  const { own, person } = await twoFamilies();
  const guardian_id = await person('guardian', own);
  const seen = () => personalDb(db, guardian_id)('students').pluck('id');
  expect(await seen()).toEqual([own]);
  await db('guardian_links').where({ guardian_id }).update({ suspended_at: '2026-10-02' });
  expect(await seen()).toEqual([]);
});

it('plans once for whoever asks what a person asks, and each time what the house does', async () => {
  const { own, person } = await twoFamilies();
  const personId = await person('guardian', own);
  const how = async (asks: Db) =>
    (await asks.raw<{ rows: { how: string }[] }>(`select current_setting('plan_cache_mode') as how`)).rows[0]
      ?.how;
  const alone = openDatabase(url, { poolSize: 1 });
  expect(await how(personalDb(alone, personId))).toBe('force_generic_plan');
  expect(await how(alone)).toBe('auto');
  expect(await how(personalDb(alone, personId))).toBe('force_generic_plan');
  await alone.destroy();
});

it('asks once more where a connection’s plans are of before a table changed', async () => {
  const { own, person } = await twoFamilies();
  // All that is asked goes by one connection, so that it is the one with the plans.
  const alone = openDatabase(url, { poolSize: 1 });
  const mine = personalDb(alone, await person('guardian', own));
  const asked = () => mine('students').where({ id: own });
  await asked();
  await db.raw('alter table students add column nickname text');
  // Nobody notices; in a transaction statements have no names, and nothing to be stale.
  expect(await asked()).toHaveLength(1);
  await db.raw('alter table students drop column nickname');
  await alone.destroy();
});

it('finds what a work was scored by an index, for whoever asks', async () => {
  const { own, person } = await twoFamilies();
  const mine = personalDb(db, await person('guardian', own));
  await mine.transaction(async (trx) => {
    // Empty tables are read through at once; where that is dear, an index is taken if it can be.
    await trx.raw('set local enable_seqscan = off');
    const planOf = async (sql: string) =>
      (await trx.raw<{ rows: { 'QUERY PLAN': string }[] }>(`explain ${sql}`)).rows
        .map((row) => row['QUERY PLAN'])
        .join('\n');
    expect(await planOf(`select status from student_items where student_id = '${own}'`)).toMatch(
      /on results r_?\d*.*\n *Index Cond: .*item_id = /,
    );
  });
});
