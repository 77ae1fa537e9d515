import type { Knex } from 'knex';

/** What the classroom itself knows of a work, beside the gradebook's own history. */
const classroom = `
create table hand_ins (
  student_id uuid not null references students on delete cascade,
  source_id uuid not null references sources on delete cascade, external_id text not null,
  item_id uuid not null references items on delete cascade,
  status text not null check (status in ('open', 'handed-in', 'scored')),
  earned double precision, at timestamptz not null,
  primary key (student_id, source_id, external_id), unique (source_id, external_id)
);
create index hand_ins_item on hand_ins (student_id, item_id, at desc);
`;

/*
 * What was read out of a comment is kept beside it, with the very text it was read from: another text is read anew.
 * An answer keeps the offer as it was answered.
 */
const offers = `
alter table comments add column offers jsonb, add column offers_of text;
create table offer_answers (
  student_id uuid not null references students on delete cascade,
  household_id uuid not null references households on delete cascade,
  comment_id uuid not null references comments (id) on delete cascade,
  place integer not null,
  offer jsonb not null, answer text not null check (answer in ('confirmed', 'dismissed')),
  at timestamptz not null, author text not null,
  primary key (student_id, household_id, comment_id, place)
);
`;

const household = `
create table efforts (
  student_id uuid not null references students on delete cascade,
  household_id uuid not null references households on delete cascade,
  item_id uuid not null references items on delete cascade,
  minutes integer not null, at timestamptz not null,
  primary key (student_id, household_id, item_id)
);
create table asked_answers (
  student_id uuid not null references students on delete cascade,
  id bigint generated always as identity,
  household_id uuid not null references households on delete cascade,
  item_id uuid not null references items on delete cascade,
  answer text not null, on_date date not null, at timestamptz not null, author text not null,
  primary key (student_id, id)
);
create index asked_answers_item on asked_answers (student_id, household_id, item_id, id desc);
create table targets (
  student_id uuid not null references students on delete cascade,
  household_id uuid not null references households on delete cascade,
  course_id uuid not null references courses on delete cascade,
  target double precision not null,
  primary key (student_id, household_id, course_id)
);
-- Several works of one course in one follow-up, each as the loose end it was taken up for.
alter table followups add column works jsonb not null default '[]';
create table tries (
  student_id uuid not null references students on delete cascade,
  id uuid not null default gen_random_uuid(),
  household_id uuid not null references households on delete cascade,
  course_id uuid not null references courses on delete cascade,
  name text not null, scores jsonb not null, at timestamptz not null, author text not null,
  primary key (student_id, id), unique (student_id, household_id, course_id, name)
);
`;

const plan = `
create table plans (
  student_id uuid not null references students on delete cascade,
  household_id uuid not null references households on delete cascade,
  pattern integer[] not null, best_gain double precision, proven boolean,
  primary key (student_id, household_id)
);
create table plan_exceptions (
  student_id uuid not null references students on delete cascade,
  household_id uuid not null references households on delete cascade,
  on_date date not null, minutes integer not null,
  primary key (student_id, household_id, on_date)
);
create table plan_tasks (
  student_id uuid not null references students on delete cascade,
  household_id uuid not null references households on delete cascade,
  item_id uuid not null references items on delete cascade,
  minutes integer not null, evening date, done_at timestamptz, chosen_at timestamptz not null,
  primary key (student_id, household_id, item_id)
);
`;

export async function up(knex: Knex): Promise<void> {
  for (const part of [classroom, offers, household, plan]) await knex.raw(part);
}

export async function down(): Promise<void> {
  throw new Error('003 keeps what families have answered: go back by restoring a backup');
}
