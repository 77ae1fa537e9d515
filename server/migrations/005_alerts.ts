import type { Knex } from 'knex';

/*
 * When Cadro came to know a record. Null for what a first reading brought: it counts as known from the record's own
 * time on. Alerts and their rehearsal ask what was known on a day, not what was so.
 */
const known = `
alter table items add known_at timestamptz;
alter table results add known_at timestamptz;
alter table comments add known_at timestamptz;
alter table attendance_marks add known_at timestamptz;
alter table grades add known_at timestamptz;
`;

/* An alert is a guardian's own: its rows are keyed by the guardian, and those about a child by the child as well. */
const alerts = `
alter table guardians add looked_at timestamptz;
create table alert_settings (
  guardian_id uuid primary key references guardians on delete cascade,
  rules jsonb, delivery jsonb,
  mail_stopped_at timestamptz, mail_bounced_at timestamptz
);
create table alert_silences (
  guardian_id uuid not null references guardians on delete cascade,
  id uuid not null default gen_random_uuid(),
  alert_key text, student_id uuid references students on delete cascade,
  course_id uuid references courses on delete cascade, kind text, until date not null,
  primary key (guardian_id, id)
);
-- The last look at a child for a guardian; before the first one there is no row.
create table alert_looks (
  student_id uuid not null references students on delete cascade,
  guardian_id uuid not null references guardians on delete cascade,
  at timestamptz not null,
  primary key (student_id, guardian_id)
);
create table alerts (
  guardian_id uuid not null references guardians on delete cascade,
  id uuid not null default gen_random_uuid(),
  key text not null, episode integer not null, kind text not null,
  student_id uuid references students on delete cascade,
  course_id uuid references courses on delete cascade, course_title text,
  raised_at timestamptz, told_at timestamptz, news_at timestamptz, over_at timestamptz,
  reasons jsonb not null, known jsonb not null, told jsonb not null,
  state text not null default 'open' check (state in ('open', 'read', 'done')),
  primary key (guardian_id, id), unique (guardian_id, key, episode)
);
create index alerts_raised on alerts (guardian_id, news_at desc) where raised_at is not null;
create index alerts_student on alerts (student_id, guardian_id);
`;

const delivery = `
create table digests (
  guardian_id uuid not null references guardians on delete cascade,
  id uuid not null default gen_random_uuid(),
  due_on date not null, rhythm text not null, content jsonb not null,
  primary key (guardian_id, id), unique (guardian_id, due_on)
);
-- What goes out, once for each of its keys.
create table deliveries (
  guardian_id uuid not null references guardians on delete cascade,
  id uuid not null default gen_random_uuid(),
  seq bigint generated always as identity,
  channel text not null check (channel in ('mail', 'text')),
  about text not null check (about in ('alert', 'digest', 'test')),
  alert_id uuid, digest_id uuid,
  key text not null,
  state text not null default 'waiting' check (state in ('waiting', 'sent', 'failed', 'bounced', 'dropped')),
  -- Which reasons an alert's delivery is about.
  told jsonb not null default '[]',
  made_at timestamptz not null, not_before timestamptz, at timestamptz not null, tries integer not null default 0, error text,
  primary key (guardian_id, id), unique (guardian_id, channel, key)
);
create unique index deliveries_id on deliveries (id);
create index deliveries_waiting on deliveries (not_before) where state = 'waiting';
create index deliveries_alert on deliveries (guardian_id, alert_id, seq);
`;

export async function up(knex: Knex): Promise<void> {
  for (const part of [known, alerts, delivery]) await knex.raw(part);
}

export async function down(): Promise<void> {
  throw new Error('005 keeps what guardians have set and been told: go back by restoring a backup');
}
