import type { Knex } from 'knex';

/*
 * Who belongs together is asked with every answer that is made: the guardians of a household, and all links of a
 * guardian, ended ones among them.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create index guardians_household on guardians (household_id);
    drop index guardian_links_guardian;
    create index guardian_links_guardian on guardian_links (guardian_id)`);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop index guardians_household, guardian_links_guardian;
    create index guardian_links_guardian on guardian_links (guardian_id) where ended_at is null`);
}
