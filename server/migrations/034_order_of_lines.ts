import type { Knex } from 'knex';

/* The family puts the lines of a sit-down's page in an order of its own. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`alter table sitdown_pages add column line_order jsonb not null default '[]'`);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('alter table sitdown_pages drop column line_order');
}
