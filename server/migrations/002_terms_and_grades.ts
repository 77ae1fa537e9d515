import type { Knex } from 'knex';

/*
 * The tree of the school year, what the school itself states and stores, how work is judged, and what a household
 * assumes instead of the source. Parents are kept by the source's own id: a page may bring a child before its parent.
 */
const terms = `
alter table terms add parent_external_id text, add kind text not null default 'term';
create index terms_parent on terms (source_id, parent_external_id);
alter table schools add grade_points jsonb;
alter table courses add credits double precision not null default 0,
  add credit_area text, add bump double precision not null default 0,
  add composition jsonb not null default '[]';
alter table categories add drop_lowest integer not null default 0,
  add course_id uuid references courses on delete cascade;
create index categories_course on categories (course_id);
alter table items add unit text, add term_external_id text,
  add files jsonb not null default '[]', add rubric jsonb not null default '[]';
alter table comments add term_external_id text;

create view course_terms as
  with recursive below as (
    select id as root_id, id, source_id, external_id from terms
    union
    select b.root_id, t.id, t.source_id, t.external_id
    from below b join terms t on t.source_id = b.source_id and t.parent_external_id = b.external_id
  )
  select c.id as course_id, t.id as term_id, t.external_id, t.title, t.starts_on, t.ends_on
  from courses c
  join below b on b.root_id = c.term_id
  join terms t on t.id = b.id
  where not exists (
    select 1 from terms k where k.source_id = t.source_id and k.parent_external_id = t.external_id
  );
`;

const grades = `
create table grades (
  student_id uuid not null references students on delete cascade,
  source_id uuid not null references sources on delete cascade, external_id text not null,
  course_id uuid not null references courses on delete cascade,
  part text not null, state text not null check (state in ('running', 'final')),
  fraction double precision, figure double precision, letter text,
  credits_earned double precision, reported_at timestamptz not null,
  primary key (student_id, source_id, external_id), unique (source_id, external_id)
);
create index grades_course on grades (student_id, course_id);
create table credit_plans (
  student_id uuid not null references students on delete cascade,
  source_id uuid not null references sources on delete cascade, external_id text not null,
  areas jsonb not null,
  primary key (student_id, source_id, external_id), unique (source_id, external_id)
);
create table rubric_marks (
  student_id uuid not null references students on delete cascade,
  source_id uuid not null references sources on delete cascade, external_id text not null,
  item_id uuid not null references items on delete cascade,
  marks jsonb not null, written_at timestamptz not null,
  primary key (student_id, source_id, external_id), unique (source_id, external_id)
);
create index rubric_marks_item on rubric_marks (student_id, item_id);
alter table change_log drop constraint change_log_kind_check,
  add check (kind in ('result', 'work', 'course', 'comment', 'mark', 'grade'));
`;

/* What is known was read without the new columns: everything is read once more, and none of it is news. */
const readAgain = `update sources set cursors = '{}', complete_at = null`;

const corrections = `
create table policy_corrections (
  student_id uuid not null references students on delete cascade,
  id bigint generated always as identity,
  household_id uuid not null references households on delete cascade,
  course_id uuid not null references courses on delete cascade,
  at timestamptz not null, author text not null,
  correction jsonb,
  primary key (student_id, id)
);
create index policy_corrections_course on policy_corrections (student_id, course_id, household_id, id desc);
create table assumed_figures (
  student_id uuid not null references students on delete cascade,
  course_id uuid not null references courses on delete cascade,
  household_id uuid not null references households on delete cascade,
  as_of timestamptz not null, figures jsonb not null,
  primary key (student_id, course_id, household_id)
);
`;

export async function up(knex: Knex): Promise<void> {
  for (const part of [terms, grades, corrections, readAgain]) await knex.raw(part);
}

export async function down(): Promise<void> {
  throw new Error('002 adds what later records refer to: go back by restoring a backup');
}
