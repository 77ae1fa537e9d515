import type { Knex } from 'knex';
import { both, household, one, person } from './policies/whoseRows';

/*
 * What a school asks of a family: announcements of a school, a course or a child, with what they want to hear; what a
 * household has answered, and what of their words it has taken into its calendar.
 */
const told = `
alter table announcements
  -- One that the school has taken back is told all the same.
  add column gone boolean not null default false,
  -- For whom; all of the source's children where nothing is said.
  add column school_id uuid references schools on delete cascade,
  add column course_id uuid references courses on delete cascade,
  add column student_id uuid references students on delete cascade,
  -- What it wants, and until when; null where the school does not say, so that its words are read.
  add column wish jsonb,
  add column answer_by timestamptz,
  add column helpers boolean,
  add column href text;
create index announcements_posted on announcements (source_id, posted_at desc);
create view student_announcements with (security_invoker = true) as
  select s.id as student_id, a.id as announcement_id, a.source_id, a.title, a.text, a.posted_at,
    case when a.known_at is null then a.posted_at else a.known_at end as known_at, a.gone,
    a.course_id, c.title as course_title, sch.name as school_name, sch.time_zone,
    a.wish, a.answer_by, a.helpers, a.href, c.teacher_id, sch.attendance_desk_id as desk_id
  from announcements a
    join schools sch on sch.source_id = a.source_id and (a.school_id is null or a.school_id = sch.id)
    join students s on s.school_id = sch.id
    left join courses c on c.id = a.course_id
  where (a.student_id is null or a.student_id = s.id)
    and (a.course_id is null or exists (select from enrolments e
      where e.student_id = s.id and e.course_id = a.course_id and e.active));
grant select on student_announcements to ${both};
`;

const ours = `
create table announcement_states (
  guardian_id uuid not null references guardians on delete cascade,
  announcement_id uuid not null references announcements on delete cascade,
  read boolean not null default false, kept boolean not null default false,
  archived boolean not null default false,
  primary key (guardian_id, announcement_id)
);
create table announcement_answers (
  household_id uuid not null references households on delete cascade,
  student_id uuid not null references students on delete cascade,
  announcement_id uuid not null references announcements on delete cascade,
  answer jsonb not null, note text,
  author text not null, guardian_id uuid references guardians on delete set null,
  at timestamptz not null, version int not null default 1,
  -- The letter it went out with; null where it was given on paper or on a page of the school's.
  message_id uuid,
  primary key (household_id, student_id, announcement_id)
);
create index announcement_answers_student on announcement_answers (student_id);
create table announcement_takes (
  household_id uuid not null references households on delete cascade,
  announcement_id uuid not null references announcements on delete cascade,
  part text not null,
  entry_id uuid not null references calendar_entries on delete cascade,
  primary key (household_id, announcement_id, part)
);
`;

const answersOf = (children: string): string =>
  `household_id = ${household} and student_id = ${one(children)}`;
const atHome = `household_id = ${household} and (select current_setting('cadro.talks') <> '{}')`;
const atWork = `household_id = ${household} and (select current_setting('cadro.writes') <> '{}')`;
const mine = `guardian_id = ${person}`;
const reaches = `source_id = ${one('sources')} and (student_id is null or student_id = ${one('reads')})
  and (course_id is null or course_id = ${one('courses')})`;

const whose: Readonly<Record<string, { reads: string; writes: string }>> = {
  announcement_states: { reads: mine, writes: mine },
  announcement_answers: { reads: answersOf('talks'), writes: answersOf('writes') },
  announcement_takes: { reads: atHome, writes: atWork },
};

const policies = Object.entries(whose).flatMap(([table, { reads, writes }]) => [
  `grant select, insert, update, delete on ${table} to ${both}`,
  `alter table ${table} enable row level security`,
  `create policy select_${table} on ${table} for select to ${both} using (${reads})`,
  `create policy insert_${table} on ${table} for insert to ${both} with check (${writes})`,
  `create policy update_${table} on ${table} for update to ${both} using (${writes}) with check (${writes})`,
  `create policy delete_${table} on ${table} for delete to ${both} using (${writes})`,
]);

/** How alerts of the new kind reach whoever has set how alerts reach them: as those of term grades do. */
const ways = `
update alert_settings set delivery = jsonb_set(delivery, '{ways,school}', delivery #> '{ways,term}')
where delivery is not null and delivery #> '{ways,school}' is null;
`;

export async function up(knex: Knex): Promise<void> {
  for (const part of [told, ours, ways, ...policies]) await knex.raw(part);
  await knex.raw(`alter policy select_announcements on announcements using (${reaches})`);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`alter policy select_announcements on announcements using (source_id = ${one('sources')})`);
  await knex.raw(
    `update alert_settings set delivery = delivery #- '{ways,school}' where delivery is not null`,
  );
  await knex.raw(`drop table announcement_takes, announcement_answers, announcement_states`);
  await knex.raw(`drop view student_announcements`);
  await knex.raw(`drop index announcements_posted`);
  await knex.raw(`alter table announcements drop column gone, drop column school_id, drop column course_id,
    drop column student_id, drop column wish, drop column answer_by, drop column helpers, drop column href`);
}
