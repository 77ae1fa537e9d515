import type { Knex } from 'knex';
import { both, one } from './policies/whoseRows';

/*
 * What else a school tells: money, the way to school and home, the bulletin of a day, and lost things. Money and ways are
 * for whoever sees what the school has on file of the child; the rest the school tells everybody.
 */
const ofChild = (members: string): string => `
  source_id uuid not null references sources on delete cascade, external_id text not null,
  student_id uuid not null references students on delete cascade, ${members},
  primary key (source_id, external_id)`;
const ofSchool = (members: string): string => `
  source_id uuid not null references sources on delete cascade, external_id text not null,
  school_id uuid not null references schools on delete cascade, ${members},
  primary key (source_id, external_id)`;

const tables = `
create table balances (${ofChild(`kind text not null check (kind in ('account', 'fee')), title text not null,
  amount float8 not null, currency text not null, due_on date, as_of timestamptz not null`)});
create index balances_student on balances (student_id);
create table rides (${ofChild(`title text not null, stop text, weekdays jsonb not null default '[]',
  to_school_at text, home_at text, note text, starts_on date, ends_on date`)});
create index rides_student on rides (student_id);
create table bulletins (${ofSchool('on_date date not null, text text not null')});
create index bulletins_day on bulletins (school_id, on_date desc);
create table found_things (${ofSchool(`title text not null, place text, found_on date not null,
  kept_until date`)});
create index found_things_day on found_things (school_id, found_on desc);
`;

const policies = ['balances', 'rides'].flatMap((table) => [
  `grant select on ${table} to ${both}`,
  `alter table ${table} enable row level security`,
  `create policy select_${table} on ${table} for select to ${both} using (student_id = ${one('contacts')})`,
]);

export async function up(knex: Knex): Promise<void> {
  for (const part of [tables, ...policies]) await knex.raw(part);
  await knex.raw(`grant select on bulletins, found_things to ${both}`);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table balances, rides, bulletins, found_things');
}
