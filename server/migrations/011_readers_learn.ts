import type { Knex } from 'knex';

/* Which edition of the readers has read a comment: what an earlier one has read is read anew, unless it is answered. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw('alter table comments add offers_edition integer not null default 0');
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('alter table comments drop column offers_edition');
}
