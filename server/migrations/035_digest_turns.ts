import type { Knex } from 'knex';

/*
 * When the next digest of each guardian is to be looked for, so that the clock asks a few rows and never everybody. A
 * turn begins with the first look at a child, and comes again at once when the guardian's wishes change, or when a digest
 * that waited is let go of. Only the house reads and writes it.
 */
const turns = `
create table digest_turns (
  guardian_id uuid primary key references guardians on delete cascade,
  next_at timestamptz not null default '-infinity'
);
create index digest_turns_next on digest_turns (next_at);
alter table digest_turns enable row level security;
insert into digest_turns (guardian_id) select distinct guardian_id from alert_looks;

create function begin_digest_turns() returns trigger language plpgsql security definer set search_path = public as $$
begin
  insert into digest_turns (guardian_id) select distinct guardian_id from looked on conflict do nothing;
  return null;
end $$;
create trigger digest_turns after insert on alert_looks referencing new table as looked
  for each statement execute function begin_digest_turns();

create function ask_digest_turns() returns trigger language plpgsql security definer set search_path = public as $$
begin
  update digest_turns t set next_at = '-infinity' from changed c where t.guardian_id = c.guardian_id;
  return null;
end $$;
create trigger digest_turns_set after insert on alert_settings referencing new table as changed
  for each statement execute function ask_digest_turns();
create trigger digest_turns_changed after update on alert_settings referencing new table as changed
  for each statement execute function ask_digest_turns();
create trigger digest_turns_dropped after delete on digests referencing old table as changed
  for each statement execute function ask_digest_turns();
`;

export async function up(knex: Knex): Promise<void> {
  await knex.raw(turns);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop trigger digest_turns on alert_looks;
    drop trigger digest_turns_set on alert_settings;
    drop trigger digest_turns_changed on alert_settings;
    drop trigger digest_turns_dropped on digests;
    drop function begin_digest_turns;
    drop function ask_digest_turns;
    drop table digest_turns`);
}
