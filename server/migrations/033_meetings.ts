import type { Knex } from 'knex';
import { both, household, one, policiesOf } from './policies/whoseRows';

/*
 * Times that a school offers, and the family's meetings: who comes, what is asked, noted and agreed. Which times others
 * have taken is told, never who has.
 */
const offered = `
create table slots (
  source_id uuid not null references sources on delete cascade, external_id text not null,
  id uuid not null default gen_random_uuid() primary key,
  teacher_id uuid not null references teachers on delete cascade,
  for_students jsonb,
  starts_at timestamptz not null, ends_at timestamptz not null,
  way text not null check (way in ('in-person', 'phone', 'link')),
  place text, href text,
  taken boolean not null default false, booked_for text,
  -- One that the school has taken back is told to whoever had it.
  gone boolean not null default false,
  unique (source_id, external_id)
);
create index slots_teacher on slots (teacher_id, starts_at);
-- Whose each time may be: the students of the teacher who offers it in a year that is not over, or whoever an office is
-- there for; of those, where it is for a few, these. Two parts, so that either begins with the student.
create view student_slots with (security_invoker = true) as
  select s.id as student_id, o.id as slot_id, o.source_id, o.teacher_id, t.name as teacher_name, o.starts_at, o.ends_at,
    sch.time_zone, o.way, o.place, o.href, o.taken, o.gone,
    o.taken and o.booked_for is not distinct from s.external_id as ours
  from students s
    join schools sch on sch.id = s.school_id
    join slots o on o.source_id = s.source_id
    join teachers t on t.id = o.teacher_id and t.kind = 'teacher'
  where (o.for_students is null or jsonb_exists(o.for_students, s.external_id))
    and exists (select from enrolments e join courses c on c.id = e.course_id
      where e.student_id = s.id and e.active and c.teacher_id = o.teacher_id
        and not exists (select from terms own
          join terms later on later.source_id = own.source_id and later.starts_on > own.ends_on
          where own.id = c.term_id and later.starts_on <= (o.starts_at at time zone sch.time_zone)::date))
  union all
  select s.id, o.id, o.source_id, o.teacher_id, t.name, o.starts_at, o.ends_at,
    sch.time_zone, o.way, o.place, o.href, o.taken, o.gone,
    o.taken and o.booked_for is not distinct from s.external_id
  from students s
    join schools sch on sch.id = s.school_id
    join teachers t on t.source_id = s.source_id and t.school_id = s.school_id and t.kind <> 'teacher' and not t.gone
      and (t.for_students is null or jsonb_exists(t.for_students, s.external_id))
    join slots o on o.teacher_id = t.id
  where o.for_students is null or jsonb_exists(o.for_students, s.external_id);
grant select on student_slots to ${both};
`;

const ours = `
create table meetings (
  household_id uuid not null references households on delete cascade,
  student_id uuid not null references students on delete cascade,
  id uuid not null default gen_random_uuid() primary key,
  teacher_id uuid not null references teachers on delete cascade,
  slot_id uuid references slots on delete set null,
  starts_at timestamptz not null, ends_at timestamptz not null,
  way text not null check (way in ('in-person', 'phone', 'link')),
  place text, href text,
  state text not null default 'stands' check (state in ('stands', 'given-back', 'called-off')),
  author text not null, guardian_id uuid references guardians on delete set null,
  hidden jsonb not null default '[]', questions jsonb not null default '[]',
  notes text, agreed jsonb not null default '[]',
  -- Counts what a calendar has to hear of: time, place, whether it stands (RFC 5546).
  sequence int not null default 0, changed_at timestamptz not null,
  version int not null default 1
);
create index meetings_student on meetings (student_id, starts_at desc);
create index meetings_household on meetings (household_id, starts_at desc);
create index meetings_teacher on meetings (teacher_id);
create index meetings_guardian on meetings (guardian_id) where guardian_id is not null;
create unique index meetings_slot on meetings (slot_id, household_id) where state = 'stands';
create table meeting_guests (
  meeting_id uuid not null references meetings on delete cascade,
  student_id uuid not null references students on delete cascade,
  id uuid not null default gen_random_uuid() primary key,
  seq bigint generated always as identity,
  name text not null, address text not null,
  -- Of the meeting, as it was told last; null until it has been.
  told_sequence int,
  -- Whoever is taken off the list hears that it is off for them, once.
  removed boolean not null default false, told_removed boolean not null default false,
  came_back boolean not null default false,
  answer text check (answer in ('yes', 'maybe', 'no')),
  answered_at timestamptz, answered_stamp timestamptz, answered_by text, words text, words_by text
);
create unique index meeting_guests_address on meeting_guests (meeting_id, lower(address)) where not removed;
create index meeting_guests_student on meeting_guests (student_id);
create trigger told_home after insert or update or delete on meetings
  for each row execute function tell_home('meetings');
create trigger told_home after insert or update or delete on meeting_guests
  for each row execute function tell_home('meetings');
`;

const atHome = (children: string): string => `household_id = ${household} and student_id = ${one(children)}`;
const stands = 'exists (select from meetings m where m.id = meeting_id)';
const whose: Readonly<Record<string, { reads: string; writes: string }>> = {
  meetings: { reads: atHome('talks'), writes: atHome('writes') },
  meeting_guests: {
    reads: `student_id = ${one('talks')} and ${stands}`,
    writes: `student_id = ${one('writes')} and ${stands}`,
  },
};

const told = [
  `grant select on slots to ${both}`,
  'alter table slots enable row level security',
  `create policy select_slots on slots for select to ${both} using (source_id = ${one('sources')})`,
];

export async function up(knex: Knex): Promise<void> {
  for (const part of [offered, ours, ...told, ...policiesOf(whose)]) await knex.raw(part);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop view student_slots');
  await knex.raw('drop table meeting_guests, meetings, slots');
}
