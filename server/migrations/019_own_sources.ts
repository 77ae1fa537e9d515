import type { Knex } from 'knex';

/* What a family writes down itself: a source of each child whose school hands nothing over. */
const own = `
alter table sources drop constraint sources_kind_check;
alter table sources
  add constraint sources_kind_check check (kind in ('interface', 'bundles', 'own')),
  -- Whose it is, where it is a family's.
  add column household_id uuid references households on delete set null,
  -- Who began it, and the children they named as theirs in what they hand over.
  add column begun_by uuid references guardians on delete set null,
  add column wanted jsonb not null default '[]';
create index sources_household on sources (household_id) where household_id is not null;
grant select (kind) on sources to cadro_request, cadro_limited;
create or replace view source_states with (security_invoker = true) as
  select id as source_id, name, base_url, complete_at, read_at, failing_since, kind = 'own' as by_hand from sources;
create or replace view student_profiles with (security_invoker = true) as
  select s.id as student_id, s.source_id, s.external_id, s.given_name, s.family_name, s.year, s.school_id,
    sch.name as school_name, sch.time_zone, sch.attendance_desk_id, src.kind = 'own' as by_hand
  from students s join schools sch on sch.id = s.school_id join sources src on src.id = s.source_id;
`;

const out = `
-- Programs that may read what their owner sees, over an interface of their own.
create table out_clients (
  id uuid primary key default gen_random_uuid(),
  guardian_id uuid not null references guardians on delete cascade,
  name text not null, secret_hash text not null,
  made_at timestamptz not null, used_at timestamptz
);
create index out_clients_guardian on out_clients (guardian_id);
revoke all on out_clients from cadro_request, cadro_limited;
`;

const mails = `
-- What a family forwards, until it has said what of it is so.
create table forwarded_mails (
  id uuid primary key default gen_random_uuid(),
  household_id uuid not null references households on delete cascade,
  -- In the order they came.
  seq bigint generated always as identity,
  came_at timestamptz not null,
  sender text not null, subject text not null, text text not null,
  -- What it seems to say of work, on its words.
  proposals jsonb not null,
  state text not null default 'new' check (state in ('new', 'placed', 'dropped')),
  student_id uuid references students on delete set null,
  course_id uuid references courses on delete set null
);
create index forwarded_mails_household on forwarded_mails (household_id, seq desc);
revoke all on forwarded_mails from cadro_request, cadro_limited;
`;

const calendars = `
alter table calendar_imports
  -- Where it is read again and again, sealed; null for a file that somebody has read in.
  add column address_sealed text,
  -- Whether its entries are work of the child's courses.
  add column as_work boolean not null default false,
  add column failing_since timestamptz,
  add column failure text;
`;

export async function up(knex: Knex): Promise<void> {
  await knex.raw(calendars);
  await knex.raw(mails);
  await knex.raw(own);
  await knex.raw(out);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table out_clients, forwarded_mails');
  await knex.raw(`alter table calendar_imports
    drop column address_sealed, drop column as_work, drop column failing_since, drop column failure`);
  await knex('sources').where({ kind: 'own' }).orWhereNotNull('household_id').delete();
  await knex.raw(`drop index sources_household`);
  // The views keep their newest column, which says of none that it is written by hand.
  await knex.raw(
    own
      .slice(own.indexOf('create or replace'))
      .replaceAll(`kind = 'own' as by_hand`, 'false as by_hand')
      .replaceAll('src.false', 'false'),
  );
  await knex.raw(`alter table sources drop column household_id, drop column begun_by, drop column wanted`);
  await knex.raw(`alter table sources drop constraint sources_kind_check`);
  await knex.raw(
    `alter table sources add constraint sources_kind_check check (kind in ('interface', 'bundles'))`,
  );
}
