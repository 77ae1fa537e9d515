import type { Knex } from 'knex';

/* The child's own desk: what it says to its family, what it is proud of, its own aims, and what both sides show. */
const desk = `
-- What a family has decided with its child: whether the child sees the evenings, whether the family sees its aims.
create table desk_shares (
  student_id uuid not null references students on delete cascade,
  household_id uuid not null references households on delete cascade,
  what text not null check (what in ('evenings', 'aims')),
  shown boolean not null,
  primary key (student_id, household_id, what)
);
-- 'I would like to talk about this', 'show it to my family': of an assignment, a course, or a teacher's comment.
create table desk_words (
  student_id uuid not null references students on delete cascade,
  id uuid not null default gen_random_uuid(),
  household_id uuid not null references households on delete cascade,
  wish text not null check (wish in ('talk', 'show')),
  course_id uuid references courses on delete cascade,
  item_id uuid references items on delete cascade,
  comment_id uuid,
  text text, at timestamptz not null, author text not null,
  seen_at timestamptz, seen_by text,
  seq bigint generated always as identity,
  primary key (student_id, id),
  foreign key (student_id, comment_id) references comments (student_id, id) on delete cascade,
  check (num_nonnulls(course_id, item_id, comment_id) = 1),
  unique nulls not distinct (student_id, household_id, wish, course_id, item_id, comment_id)
);
-- What the child is proud of, with a word why; of an assignment, or of something it names itself.
create table desk_pieces (
  student_id uuid not null references students on delete cascade,
  id uuid not null default gen_random_uuid(),
  household_id uuid not null references households on delete cascade,
  item_id uuid references items on delete cascade,
  title text not null, why text not null, at timestamptz not null,
  shown boolean not null default false,
  seq bigint generated always as identity,
  primary key (student_id, id),
  unique (student_id, household_id, item_id)
);
-- A family's aims for a course, and the child's own beside them.
alter table targets add by_child boolean not null default false,
  drop constraint targets_pkey, add primary key (student_id, household_id, course_id, by_child);
alter table tries add by_child boolean not null default false,
  drop constraint tries_student_id_household_id_course_id_name_key,
  add unique (student_id, household_id, course_id, by_child, name);
`;

export async function up(knex: Knex): Promise<void> {
  await knex.raw(desk);
}

export async function down(knex: Knex): Promise<void> {
  await knex('targets').where({ by_child: true }).delete();
  await knex('tries').where({ by_child: true }).delete();
  await knex.raw(`
    alter table targets drop column by_child, add primary key (student_id, household_id, course_id);
    alter table tries drop column by_child, add unique (student_id, household_id, course_id, name)`);
  for (const table of ['desk_shares', 'desk_words', 'desk_pieces']) await knex.schema.dropTable(table);
}
