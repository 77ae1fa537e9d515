import type { Knex } from 'knex';
import { household, one, person, policiesOf } from './policies/whoseRows';

/*
 * Notes of a guardian about a child, shared at home or not; what each teacher wants, in the family's words. And whoever
 * is at home hears at once that something of theirs has changed.
 */
const tables = `
create table notes (
  household_id uuid not null references households on delete cascade,
  student_id uuid not null references students on delete cascade,
  id uuid not null default gen_random_uuid() primary key,
  seq bigint generated always as identity,
  course_id uuid references courses on delete set null,
  on_date date not null,
  text text not null,
  guardian_id uuid not null references guardians on delete cascade,
  author text not null,
  shared boolean not null,
  changed_at timestamptz not null,
  version int not null default 1
);
create index notes_student on notes (student_id, on_date desc);
create index notes_guardian on notes (guardian_id);
create index notes_course on notes (course_id) where course_id is not null;
create table teacher_wants (
  household_id uuid not null references households on delete cascade,
  student_id uuid not null references students on delete cascade,
  teacher_id uuid not null references teachers on delete cascade,
  aspect text not null check (aspect in ('organises', 'lives', 'replies')),
  text text not null, author text not null, at timestamptz not null,
  version int not null default 1,
  primary key (household_id, student_id, teacher_id, aspect)
);
create index teacher_wants_student on teacher_wants (student_id);
create index teacher_wants_teacher on teacher_wants (teacher_id);
`;

const atHome = (children: string): string => `household_id = ${household} and student_id = ${one(children)}`;
const whose: Readonly<Record<string, { reads: string; writes: string }>> = {
  notes: {
    reads: `${atHome('talks')} and (shared or guardian_id = ${person})`,
    writes: `${atHome('writes')} and guardian_id = ${person}`,
  },
  teacher_wants: { reads: atHome('talks'), writes: atHome('writes') },
};

/** What is told where a row of a table changes. */
const heard: Readonly<Record<string, string>> = {
  followups: 'talk',
  messages: 'talk',
  notes: 'notes',
  teacher_wants: 'notes',
  announcement_answers: 'announced',
  desk_shares: 'desk',
  desk_words: 'desk',
  desk_pieces: 'desk',
  plan_tasks: 'plan',
  plan_exceptions: 'plan',
};

/*
 * Everybody with a standing link to the child hears that something has changed, never what: they ask, and are answered
 * what is theirs to see. The same word in one transaction is said once.
 */
const telling = `
create function tell_home() returns trigger language plpgsql security definer set search_path = public as $$
declare
  child uuid := case when tg_op = 'DELETE' then old.student_id else new.student_id end;
begin
  perform pg_notify('cadro_alerts', tg_argv[0] || ':' || l.guardian_id)
    from standing_links l where l.student_id = child;
  return null;
end $$`;

export async function up(knex: Knex): Promise<void> {
  for (const part of [tables, ...policiesOf(whose), telling]) await knex.raw(part);
  for (const [table, what] of Object.entries(heard))
    await knex.raw(`create trigger told_home after insert or update or delete on ${table}
      for each row execute function tell_home('${what}')`);
}

export async function down(knex: Knex): Promise<void> {
  for (const table of Object.keys(heard)) await knex.raw(`drop trigger told_home on ${table}`);
  await knex.raw('drop function tell_home()');
  await knex.raw('drop table notes, teacher_wants');
}
