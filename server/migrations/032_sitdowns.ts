import type { Knex } from 'knex';
import { household, one, policiesOf } from './policies/whoseRows';

/*
 * The family's weekly half hour: one open at a time, with a page for each child, which is for whoever reads that child's
 * talk.
 */
const tables = `
create table sitdowns (
  household_id uuid not null references households on delete cascade,
  id uuid not null default gen_random_uuid() primary key,
  on_date date not null,
  state text not null default 'open' check (state in ('open', 'under-way', 'held')),
  started_at timestamptz, ended_at timestamptz
);
create unique index sitdowns_open on sitdowns (household_id) where state <> 'held';
create index sitdowns_day on sitdowns (household_id, on_date desc);
create table sitdown_pages (
  sitdown_id uuid not null references sitdowns on delete cascade,
  student_id uuid not null references students on delete cascade,
  hidden jsonb not null default '[]', own jsonb not null default '[]',
  question text, answer text,
  agreed jsonb not null default '[]',
  kept jsonb,
  version int not null default 1,
  primary key (sitdown_id, student_id)
);
create index sitdown_pages_student on sitdown_pages (student_id);
create table sitdown_rhythms (
  household_id uuid primary key references households on delete cascade,
  entry_id uuid not null references calendar_entries on delete cascade
);
create index sitdown_rhythms_entry on sitdown_rhythms (entry_id);
create trigger told_home after insert or update or delete on sitdown_pages
  for each row execute function tell_home('sitdown');
`;

const talks = `(select current_setting('cadro.talks') <> '{}')`;
const writes = `(select current_setting('cadro.writes') <> '{}')`;
const stands = 'exists (select from sitdowns s where s.id = sitdown_id)';
const whose: Readonly<Record<string, { reads: string; writes: string }>> = {
  sitdowns: {
    reads: `household_id = ${household} and ${talks}`,
    writes: `household_id = ${household} and ${writes}`,
  },
  sitdown_rhythms: {
    reads: `household_id = ${household} and ${talks}`,
    writes: `household_id = ${household} and ${writes}`,
  },
  sitdown_pages: {
    reads: `student_id = ${one('talks')} and ${stands}`,
    writes: `student_id = ${one('writes')} and ${stands}`,
  },
};

export async function up(knex: Knex): Promise<void> {
  for (const part of [tables, ...policiesOf(whose)]) await knex.raw(part);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table sitdown_rhythms, sitdown_pages, sitdowns');
}
