import type { Knex } from 'knex';

/*
 * A school's record as it is told as a whole: when all of it was read and compared last, what its source has taken back,
 * and under which id a score came. What has been read by half is not told of: its figures wait until the rest is there.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table sources
      add column whole_at timestamptz,
      -- What would shrink was found by a comparison, and is asked until the next.
      add column shrinks_whole boolean not null default false;
    alter table students add column gone boolean not null default false;
    alter table categories add column gone boolean not null default false;
    alter table results
      add column external_id text,
      -- Its source has taken it back: it says nothing of the work, which another record may score.
      add column taken_back boolean not null default false;
    alter table figures_wanted
      -- A reading has not come to its end; so long it is waited for.
      add column held_until timestamptz;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table figures_wanted drop column held_until;
    alter table results drop column external_id, drop column taken_back;
    alter table categories drop column gone;
    alter table students drop column gone;
    alter table sources drop column whole_at, drop column shrinks_whole;
  `);
}
