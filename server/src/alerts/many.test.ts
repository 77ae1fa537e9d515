import { presetRules } from '@cadro/core';
import { lookAtGuardians, makeDigests, wantDeliveries } from '.';
import { World } from '../testing/world';

/* More guardians than one statement can name: few of them are due, and those few are told. */
const many = 66_000;
/** So many of them are told of a silent source; more than are looked at together. */
const told = 230;
const address = 'many-';
let world: World;

const count = async (table: string, where: Readonly<Record<string, unknown>> = {}): Promise<number> => {
  const [row] = await world
    .db(`${table} as t`)
    .join('guardians as g', 'g.id', 't.guardian_id')
    .whereLike('g.email', `${address}%`)
    .where(where)
    .count<{ count: number }[]>('t.guardian_id as count');
  return Number(row?.count);
};

beforeAll(async () => {
  world = await World.read('once');
  await world.household('here', [{ name: 'maren', children: ['isolde'] }]);
  const usual = presetRules('usual');
  const off = { ...usual.rules, 'source-silent': { on: false, days: 3 } };
  const names = { many, told, address, student: world.student('isolde') };
  for (const sql of [
    `insert into households (name) values ('Everybody')`,
    `insert into guardians (household_id, email, password_hash, name, given_name, confirmed_at)
     select h.id, :address || n || '@test.example', 'x', 'Guardian ' || n, 'G', '2026-09-01'
     from households h, generate_series(1, :many::int) n where h.name = 'Everybody'`,
    `insert into students (source_id, external_id, school_id, given_name, family_name, year)
     select s.source_id, :address || n, s.school_id, 'Child ' || n, s.family_name, s.year
     from students s, generate_series(1, :many::int) n where s.id = :student`,
    `insert into guardian_links (student_id, guardian_id, role, linked_at)
     select s.id, g.id, 'guardian', '2026-09-01'
     from students s join guardians g on g.email = s.external_id || '@test.example'`,
    `insert into alert_settings (guardian_id, rules)
     select id, :off::jsonb from guardians where email like :address || '%'
       and substring(email from '[0-9]+')::int > :told::int`,
    `insert into alert_looks (student_id, guardian_id, at)
     select student_id, guardian_id, '2026-09-02' from guardian_links on conflict do nothing`,
    `analyze`,
  ])
    await world.db.raw(sql, { ...names, off: JSON.stringify({ ...usual, rules: off }) });
});
afterAll(() => world.stop());

it('tells those few of a silent source whose rules ask for it', async () => {
  const readAt = (await world.db('sources').max('read_at as at').first()) as { at: Date };
  await world.moveTo(new Date(readAt.at.getTime() + 4 * 24 * 3_600_000).toISOString());
  await lookAtGuardians(world);
  expect(await count('alerts', { 't.kind': 'upkeep' })).toBe(told);
  // Again, and nothing is told again.
  await lookAtGuardians(world);
  expect(await count('alerts', { 't.kind': 'upkeep' })).toBe(told);
});

it('makes the digests of whose turn it is, each once, however many processes ask', async () => {
  expect(await count('digest_turns')).toBe(many);
  await world.db.raw(
    `update digest_turns t set next_at = 'infinity' from guardians g where g.id = t.guardian_id
     and g.email like :address || '%' and substring(g.email from '[0-9]+')::int > :told::int`,
    { address, told },
  );
  await Promise.all([makeDigests(world), makeDigests(world)]);
  expect(await count('digests')).toBe(told);
  expect(await count('deliveries', { 't.about': 'digest' })).toBe(told);
  await wantDeliveries(world);
  const due = await world.db('digest_turns').where('next_at', '<=', (await world.clock.now()).toISOString());
  expect(due).toEqual([]);
  // What is wished for anew is looked for at once.
  await world.db.raw(
    `update alert_settings set mail_stopped_at = null where guardian_id =
       (select id from guardians where email = :address || '66000@test.example')`,
    { address },
  );
  await makeDigests(world);
  expect(await count('digests')).toBe(told + 1);
});
