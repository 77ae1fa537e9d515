import type { Knex } from 'knex';

/**
 * A digest's content has another shape now. One that has not gone out is taken away, and is made anew by the next
 * round; one that has gone out is kept as it was, for its day.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    with gone as (delete from deliveries where about = 'digest' and state = 'waiting' returning guardian_id, digest_id)
    delete from digests d using gone where d.guardian_id = gone.guardian_id and d.id = gone.digest_id
  `);
}

/** What was taken away is made anew by the release before as well. */
export async function down(knex: Knex): Promise<void> {
  await up(knex);
}
