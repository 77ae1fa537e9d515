import type { Knex } from 'knex';
import { both, one } from './policies/whoseRows';

/*
 * What of a child waits to be computed, and up to when it stands, course by course: a score changes nothing of the other
 * courses. Children of one class wait next to each other, as what they have in common is read once for all of them. When
 * a rule next has something to say by the clock alone is put down beside.
 */
const parts = `
alter table figures_wanted
  -- Null for all of the record.
  add column courses uuid[],
  add column attendance boolean not null default true,
  -- A course of the child: those of one class are taken together.
  add column near uuid;
create index figures_wanted_near on figures_wanted (since, near, student_id);
-- By course, the instant up to which its figures stand.
alter table figures_stand add column untils jsonb not null default '{}';

create table looks_due (
  student_id uuid not null references students on delete cascade,
  -- Null for the child as a whole.
  course_id uuid references courses on delete cascade,
  at timestamptz not null
);
create index looks_due_student on looks_due (student_id, course_id);
create index looks_due_course on looks_due (course_id);
create index looks_due_at on looks_due (at);
grant insert on looks_due to ${both};
alter table looks_due enable row level security;
create policy insert_looks_due on looks_due for insert to ${both} with check (student_id = ${one('talks')});
`;

export async function up(knex: Knex): Promise<void> {
  await knex.raw(parts);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop table looks_due;
    alter table figures_stand drop column untils;
    drop index figures_wanted_near;
    alter table figures_wanted drop column near, drop column attendance, drop column courses`);
}
