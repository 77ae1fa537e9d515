import type { Knex } from 'knex';

/* Who runs this Cadro, and signs in at a place of their own. No request that is signed in as a person reads it. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`create table operators (
    id uuid primary key default gen_random_uuid(),
    name text not null unique, password_hash text not null,
    made_at timestamptz not null, ended_at timestamptz
  )`);
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('operators');
}
