import type { Knex } from 'knex';

/*
 * A mark keeps the school's code; what a code means stands beside the marks, from a day on. What earlier readings
 * told with each mark becomes the first code map, so that nothing is unknown until the schools are read again.
 */
const attendance = `
create table attendance_codes (
  source_id uuid not null references sources on delete cascade, external_id text not null,
  code text not null, kind text not null, excused boolean not null, label text not null, valid_from date,
  primary key (source_id, external_id)
);
create index attendance_codes_code on attendance_codes (source_id, code);
insert into attendance_codes (source_id, external_id, code, kind, excused, label)
  select distinct on (source_id, code) source_id, 'told-' || code, code, kind, excused, label
  from attendance_marks order by source_id, code, on_date desc;
alter table attendance_marks
  drop kind, drop excused, drop label,
  add note text, add marked_by text, add marked_at timestamptz;
alter table schools add attendance_desk_id uuid references teachers;

-- What a household has found out about a code that its school has not explained.
create table code_meanings (
  student_id uuid not null references students on delete cascade,
  household_id uuid not null references households on delete cascade,
  code text not null, kind text not null, excused boolean not null,
  at timestamptz not null, author text not null,
  primary key (student_id, household_id, code)
);
-- Marks of a file that a household has read in; the school's own mark of the same lesson goes before them.
create table household_marks (
  student_id uuid not null references students on delete cascade,
  household_id uuid not null references households on delete cascade,
  on_date date not null, period text not null,
  course_id uuid references courses on delete set null,
  code text not null, kind text not null, excused boolean not null, label text not null,
  at timestamptz not null, author text not null,
  primary key (student_id, household_id, on_date, period)
);
`;

const timetable = `
create table school_days (
  source_id uuid not null references sources on delete cascade, external_id text not null,
  school_id uuid not null references schools on delete cascade,
  on_date date not null, open boolean not null, rotation_day text, title text,
  primary key (source_id, external_id)
);
create index school_days_day on school_days (school_id, on_date);
create table school_events (
  source_id uuid not null references sources on delete cascade, external_id text not null,
  school_id uuid not null references schools on delete cascade,
  course_id uuid references courses on delete cascade,
  kind text not null, title text not null, on_date date not null, last_on date not null,
  starts_at text, ends_at text, place text, href text,
  primary key (source_id, external_id)
);
create index school_events_day on school_events (school_id, on_date);
create table lesson_notes (
  source_id uuid not null references sources on delete cascade, external_id text not null,
  course_id uuid not null references courses on delete cascade,
  on_date date not null, done text not null, homework text, files jsonb not null default '[]',
  primary key (source_id, external_id)
);
create index lesson_notes_day on lesson_notes (course_id, on_date);
create index lessons_course on lessons (course_id);
`;

/* One absence, one matter: a child can have several of them in hand at a time, each under a key of its own. */
const followUps = `
alter table followups add column absence jsonb, add column absence_key text not null default '';
drop index followups_open;
create unique index followups_open on followups
  (household_id, student_id, topic, coalesce(item_id, course_id, student_id), absence_key)
  where step <> 'settled' and topic <> 'other';
`;

const entries = `
create table calendar_entries (
  id uuid primary key default gen_random_uuid(),
  household_id uuid not null references households on delete cascade,
  guardian_id uuid not null references guardians on delete cascade,
  shared boolean not null,
  kind text not null check (kind in ('reminder', 'event', 'note', 'supply')),
  title text not null, text text,
  on_date date, last_on date, starts_at text, ends_at text,
  time_zone text not null,
  rule text, skipped jsonb not null default '[]', done jsonb not null default '[]',
  item_id uuid references items on delete cascade, days_before integer,
  version integer not null default 1, updated_at timestamptz not null, removed_at timestamptz
);
create index calendar_entries_household on calendar_entries (household_id);
-- For whom an entry is; none for all of the household's children.
create table calendar_entry_children (
  student_id uuid not null references students on delete cascade,
  entry_id uuid not null references calendar_entries on delete cascade,
  primary key (student_id, entry_id)
);
create index calendar_entry_children_entry on calendar_entry_children (entry_id);
create table own_dates (
  student_id uuid not null references students on delete cascade,
  household_id uuid not null references households on delete cascade,
  item_id uuid not null references items on delete cascade,
  on_date date not null,
  primary key (student_id, household_id, item_id)
);
create table supplies_got (
  student_id uuid not null references students on delete cascade,
  household_id uuid not null references households on delete cascade,
  item_id uuid not null references items on delete cascade,
  supply text not null,
  primary key (student_id, household_id, item_id, supply)
);
`;

const elsewhere = `
create table calendar_feeds (
  id uuid primary key default gen_random_uuid(),
  guardian_id uuid not null references guardians on delete cascade,
  name text not null, token_hash text not null unique, token_sealed text not null,
  layers jsonb not null, student_ids jsonb not null,
  created_at timestamptz not null, read_at timestamptz
);
create index calendar_feeds_guardian on calendar_feeds (guardian_id);
-- What a subscriber has been given, so that a change is told as one and a cancelled event as cancelled.
create table calendar_published (
  feed_id uuid not null references calendar_feeds on delete cascade,
  uid text not null, sequence integer not null, content text not null,
  changed_at timestamptz not null, cancelled boolean not null default false,
  primary key (feed_id, uid)
);
create table calendar_imports (
  id uuid primary key default gen_random_uuid(),
  household_id uuid not null references households on delete cascade,
  student_id uuid references students on delete cascade,
  name text not null, author text not null, at timestamptz not null, report jsonb not null
);
create unique index calendar_imports_name on calendar_imports (household_id, coalesce(student_id, household_id), name);
create table imported_events (
  import_id uuid not null references calendar_imports on delete cascade,
  uid text not null, component text not null, first_on date not null, last_on date,
  primary key (import_id, uid)
);
`;

/* What is known was read without the calendar and the code maps: everything is read once more, and none of it is news. */
const readAgain = `update sources set cursors = '{}', complete_at = null`;

export async function up(knex: Knex): Promise<void> {
  for (const part of [attendance, timetable, followUps, entries, elsewhere, readAgain]) await knex.raw(part);
}

export async function down(): Promise<void> {
  throw new Error('004 keeps what families have written: go back by restoring a backup');
}
