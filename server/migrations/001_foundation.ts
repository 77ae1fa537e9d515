import type { Knex } from 'knex';

/*
 * Numbered, never edited. Tables of a child's data carry student_id as the leading key, so that they can be
 * partitioned by it. What a source gave is keyed by (source_id, external_id): writing it twice is writing it once.
 */
const household = `
create table households (
  id uuid primary key default gen_random_uuid(), name text not null
);
create table guardians (
  id uuid primary key default gen_random_uuid(),
  household_id uuid not null references households,
  email text not null, password_hash text not null,
  name text not null, given_name text not null,
  language text not null default 'en' check (language in ('en', 'es'))
);
create unique index guardians_email on guardians (lower(email));
create table sources (
  id uuid primary key default gen_random_uuid(),
  name text not null, base_url text not null unique,
  client_id text not null, client_secret_sealed text not null,
  cursors jsonb not null default '{}',
  complete_at timestamptz, read_at timestamptz, tried_at timestamptz,
  failing_since timestamptz, last_error text
);
create table schools (
  id uuid primary key default gen_random_uuid(),
  source_id uuid not null references sources on delete cascade, external_id text not null,
  name text not null, time_zone text not null,
  unique (source_id, external_id)
);
create table students (
  id uuid primary key default gen_random_uuid(),
  source_id uuid not null references sources on delete cascade, external_id text not null,
  school_id uuid not null references schools,
  given_name text not null, family_name text not null, year text not null,
  unique (source_id, external_id)
);
create table guardian_links (
  student_id uuid not null references students on delete cascade,
  guardian_id uuid not null references guardians on delete cascade,
  role text not null check (role in ('guardian', 'look-only', 'student')),
  linked_at timestamptz not null, ended_at timestamptz,
  primary key (student_id, guardian_id)
);
create index guardian_links_guardian on guardian_links (guardian_id) where ended_at is null;
create table link_codes (
  source_id uuid not null references sources on delete cascade, external_id text not null,
  code_hash text not null unique,
  student_id uuid not null references students on delete cascade,
  expires_at timestamptz not null, used_at timestamptz, used_by uuid references guardians,
  primary key (source_id, external_id)
);
create table sessions (sid varchar primary key, sess json not null, expire timestamp(6) not null);
create index sessions_expire on sessions (expire);
create table login_tries (key text primary key, hits integer not null, resets_at timestamptz not null);
`;

const gradebook = `
create table terms (
  id uuid primary key default gen_random_uuid(),
  source_id uuid not null references sources on delete cascade, external_id text not null,
  title text not null, starts_on date not null, ends_on date not null,
  unique (source_id, external_id)
);
create table teachers (
  id uuid primary key default gen_random_uuid(),
  source_id uuid not null references sources on delete cascade, external_id text not null,
  name text not null, email text,
  unique (source_id, external_id)
);
create table courses (
  id uuid primary key default gen_random_uuid(),
  source_id uuid not null references sources on delete cascade, external_id text not null,
  school_id uuid not null references schools, term_id uuid not null references terms,
  title text not null, room text, period text,
  teacher_id uuid references teachers,
  policy jsonb, standards jsonb not null default '[]',
  unique (source_id, external_id)
);
create table enrolments (
  student_id uuid not null references students on delete cascade,
  course_id uuid not null references courses on delete cascade,
  source_id uuid not null references sources on delete cascade, external_id text not null,
  active boolean not null,
  primary key (student_id, course_id),
  unique (source_id, external_id)
);
create index enrolments_course on enrolments (course_id);
create table categories (
  id uuid primary key default gen_random_uuid(),
  source_id uuid not null references sources on delete cascade, external_id text not null,
  title text not null, weight double precision not null default 0, counts boolean not null default true,
  unique (source_id, external_id)
);
create table items (
  id uuid primary key default gen_random_uuid(),
  source_id uuid not null references sources on delete cascade, external_id text not null,
  course_id uuid not null references courses, category_id uuid not null references categories,
  title text not null, description text, possible double precision not null,
  assigned_at timestamptz not null, due_at timestamptz,
  undated boolean not null default false,
  kind text, instructions text, place text, supplies jsonb not null default '[]', redo text,
  accepted_until timestamptz, counts boolean not null default true,
  extra_credit boolean not null default false, multiplier double precision not null default 1,
  removed boolean not null default false,
  unique (source_id, external_id)
);
create index items_course on items (course_id) where not removed;
create table results (
  student_id uuid not null references students on delete cascade,
  item_id uuid not null references items on delete cascade,
  seq bigint generated always as identity,
  at timestamptz not null, status text not null, earned double precision,
  late boolean not null, levels jsonb not null default '{}',
  primary key (student_id, item_id, seq)
);
create table comments (
  student_id uuid not null references students on delete cascade,
  id uuid not null default gen_random_uuid() unique,
  source_id uuid not null references sources on delete cascade, external_id text not null,
  course_id uuid not null references courses, item_id uuid references items,
  subject text not null, text text not null, author_id uuid not null references teachers,
  written_at timestamptz not null,
  primary key (student_id, id), unique (source_id, external_id)
);
create index comments_course on comments (student_id, course_id, written_at);
create table current_figures (
  student_id uuid not null references students on delete cascade,
  course_id uuid not null references courses on delete cascade,
  as_of timestamptz not null, figures jsonb not null,
  primary key (student_id, course_id)
);
create table attendance_marks (
  student_id uuid not null references students on delete cascade,
  on_date date not null, period text not null,
  source_id uuid not null references sources on delete cascade, external_id text not null,
  course_id uuid references courses, code text not null, kind text not null,
  excused boolean not null, label text not null,
  primary key (student_id, source_id, external_id), unique (source_id, external_id)
);
create index attendance_marks_day on attendance_marks (student_id, on_date);
create table lessons (
  source_id uuid not null references sources on delete cascade, external_id text not null,
  course_id uuid not null references courses on delete cascade,
  rotation_day text not null, period text not null, starts_at text not null, ends_at text not null, room text,
  primary key (source_id, external_id)
);
create table announcements (
  id uuid primary key default gen_random_uuid(),
  source_id uuid not null references sources on delete cascade, external_id text not null,
  title text not null, text text not null, posted_at timestamptz not null,
  unique (source_id, external_id)
);
`;

const sync = `
create table change_log (
  student_id uuid not null references students on delete cascade,
  id bigint generated always as identity,
  at timestamptz not null, kind text not null check (kind in ('result', 'work', 'course', 'comment', 'mark')),
  course_id uuid, item_id uuid, before jsonb, after jsonb,
  primary key (student_id, id)
);
create index change_log_at on change_log (student_id, at);
create table sync_problems (
  source_id uuid not null references sources on delete cascade,
  collection text not null, external_id text not null,
  reason text not null, record jsonb, seen_at timestamptz not null,
  primary key (source_id, collection, external_id)
);
`;

const talk = `
create table threads (
  id uuid primary key default gen_random_uuid(),
  household_id uuid not null references households,
  student_id uuid not null references students on delete cascade,
  teacher_id uuid not null references teachers,
  unique (household_id, student_id, teacher_id)
);
create table followups (
  student_id uuid not null references students on delete cascade,
  id uuid not null default gen_random_uuid() unique,
  household_id uuid not null references households,
  course_id uuid references courses, item_id uuid references items,
  topic text not null check (topic in ('work', 'course', 'attendance', 'other')),
  title text not null, loose_end_kind text, step text not null,
  look_again_on date, outcome jsonb, version integer not null default 1,
  updated_at timestamptz not null,
  primary key (student_id, id)
);
create unique index followups_open on followups
  (household_id, student_id, topic, coalesce(item_id, course_id, student_id))
  where step <> 'settled' and topic <> 'other';
create table followup_entries (
  student_id uuid not null, followup_id uuid not null,
  id bigint generated always as identity,
  kind text not null, at timestamptz not null, author text,
  step text, look_again_on date, text text,
  primary key (student_id, followup_id, id),
  foreign key (student_id, followup_id) references followups (student_id, id) on delete cascade
);
create table messages (
  student_id uuid not null references students on delete cascade,
  id uuid not null default gen_random_uuid() unique,
  thread_id uuid not null references threads on delete cascade,
  followup_id uuid references followups (id),
  seq bigint generated always as identity,
  from_teacher boolean not null, author text not null, subject text not null, text text not null,
  at timestamptz not null, state text not null, mime_id text unique,
  primary key (student_id, id)
);
create index messages_thread on messages (thread_id, seq);
create table thread_reads (
  student_id uuid not null references students on delete cascade,
  thread_id uuid not null references threads on delete cascade,
  guardian_id uuid not null references guardians on delete cascade,
  read_to bigint not null,
  primary key (student_id, thread_id, guardian_id)
);
create table demo_clock (only_row boolean primary key default true check (only_row), now_at timestamptz not null);
`;

export async function up(knex: Knex): Promise<void> {
  for (const part of [household, gradebook, sync, talk]) await knex.raw(part);
}

export async function down(): Promise<void> {
  throw new Error('001 is the foundation: there is nothing below it to go back to');
}
