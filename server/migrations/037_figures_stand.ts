import type { Knex } from 'knex';
import { both, one } from './policies/whoseRows';

/*
 * Up to when a child's figures stand by themselves: the first instant at which the clock alone would change one of them.
 * Who has no row is computed with the next reading. Written by the house; a request sees it as it sees the figures.
 */
const stand = `
create table figures_stand (
  student_id uuid primary key references students on delete cascade,
  as_of timestamptz not null,
  until timestamptz not null
);
create index figures_stand_until on figures_stand (until);
grant select on figures_stand to ${both};
alter table figures_stand enable row level security;
create policy select_figures_stand on figures_stand for select to ${both} using (student_id = ${one('reads')});
`;

export async function up(knex: Knex): Promise<void> {
  await knex.raw(stand);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table figures_stand');
}
