import type { Knex } from 'knex';

/*
 * Works and announcements are found by their course. The index that was there left out works that were taken away, and
 * whoever asks for those, too, read the whole table.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    drop index items_course;
    create index items_course on items (course_id);
    create index announcements_course on announcements (course_id) where course_id is not null`);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop index announcements_course;
    drop index items_course;
    create index items_course on items (course_id) where not removed`);
}
