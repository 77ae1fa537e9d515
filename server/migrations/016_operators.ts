import type { Knex } from 'knex';

/* Who runs this Cadro, and signs in at a place of their own. No request that is signed in as a person reads it. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`create table operators (
    id uuid primary key default gen_random_uuid(),
    name text not null unique, password_hash text not null,
    -- The second step: a one-time code by this secret, each good once.
    secret_sealed text not null, last_step integer not null default 0,
    made_at timestamptz not null, ended_at timestamptz
  )`);
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('operators');
}
