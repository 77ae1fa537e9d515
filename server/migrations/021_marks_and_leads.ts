import type { Knex } from 'knex';

/*
 * Attendance that another record of a child tells, among what a household has of its own; and whose word goes first of one
 * assignment.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table household_marks
      -- The other record of the child that it is read from; null for what somebody has written down.
      add column told_of uuid references students on delete set null;
    create index household_marks_told_of on household_marks (told_of) where told_of is not null;
    alter table items
      -- Whose word holds of this one; null for what is said of the whole course.
      add column lead text check (lead in ('school', 'own'));
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('alter table household_marks drop column told_of; alter table items drop column lead');
}
