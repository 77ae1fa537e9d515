import type { Knex } from 'knex';

/* People come in by themselves: whose address it is, what they may come in by, and how they show who they are. */
const people = `
alter table guardians
  add made_at timestamptz not null default now(),
  -- When the address was shown to be theirs; until then nothing but the confirmation goes to it.
  add confirmed_at timestamptz,
  -- How teachers see one, where that is not the name.
  add shown_as text,
  -- When an account that its owner wants deleted is deleted; until then it can be taken back.
  add leaves_at timestamptz;
update guardians set confirmed_at = now();
create or replace view guardian_profiles as
  select id as guardian_id, household_id, name, given_name, email, language, looked_at,
    confirmed_at is not null and leaves_at is null as confirmed
  from guardians;

-- What a household wrote goes with it; its letters stay with the school's threads, without an address.
alter table link_codes drop constraint link_codes_used_by_fkey,
  add constraint link_codes_used_by_fkey foreign key (used_by) references guardians on delete set null;
alter table followups drop constraint followups_household_id_fkey,
  add constraint followups_household_id_fkey foreign key (household_id) references households on delete cascade;
alter table messages drop constraint messages_followup_id_fkey,
  add constraint messages_followup_id_fkey foreign key (followup_id) references followups (id) on delete set null;
alter table threads alter household_id drop not null, drop constraint threads_household_id_fkey,
  add constraint threads_household_id_fkey foreign key (household_id) references households on delete set null;

-- Who has come without a code: nothing is made before the address is confirmed.
create table arrivals (
  token_hash text primary key,
  email text not null, name text not null, given_name text not null, password_hash text not null,
  language text not null, made_at timestamptz not null, expires_at timestamptz not null, used_at timestamptz
);
-- What was sent to an address to be tapped there, known by its hash, good once.
create table address_proofs (
  token_hash text primary key,
  guardian_id uuid not null references guardians on delete cascade,
  purpose text not null check (purpose in ('confirm', 'password', 'change-from', 'change-to')),
  address text not null, made_at timestamptz not null, expires_at timestamptz not null, used_at timestamptz
);
create index address_proofs_guardian on address_proofs (guardian_id, purpose);
-- A new address waits until both the old and the new one have been tapped.
create table address_changes (
  guardian_id uuid primary key references guardians on delete cascade,
  address text not null, asked_at timestamptz not null, from_at timestamptz, to_at timestamptz
);
-- Mail about the account itself. Secrets are made when it is sent: none waits in a table.
create table account_mails (
  id uuid primary key default gen_random_uuid(),
  guardian_id uuid references guardians on delete cascade,
  address text not null, language text not null, kind text not null, params jsonb not null default '{}',
  made_at timestamptz not null, sent_at timestamptz, state text not null default 'waiting'
    check (state in ('waiting', 'sent', 'refused'))
);
create index account_mails_waiting on account_mails (made_at) where state = 'waiting';
`;

/* Codes of before could be guessed: those that nobody has used are over, and the school gives out others. */
const codes = `
update link_codes set expires_at = 'epoch' where used_at is null;
`;

const proofs = `
create table devices (
  guardian_id uuid not null references guardians on delete cascade,
  token_hash text not null, name text not null, first_at timestamptz not null, last_at timestamptz not null,
  primary key (guardian_id, token_hash)
);
create table passkeys (
  guardian_id uuid not null references guardians on delete cascade,
  id uuid not null default gen_random_uuid(),
  credential_id text not null unique, public_key bytea not null, counter bigint not null,
  transports text[] not null default '{}', name text not null,
  made_at timestamptz not null, used_at timestamptz,
  primary key (guardian_id, id)
);
-- One-time codes: the secret sealed, and the last step that was used, so that no code is good twice.
create table one_time_secrets (
  guardian_id uuid primary key references guardians on delete cascade,
  secret_sealed text not null, made_at timestamptz not null, confirmed_at timestamptz,
  last_step bigint not null default 0
);
create table recovery_codes (
  guardian_id uuid not null references guardians on delete cascade,
  code_hash text not null, used_at timestamptz,
  primary key (guardian_id, code_hash)
);
alter table sessions add guardian_id uuid generated always as ((sess->>'guardianId')::uuid) stored;
create index sessions_guardian on sessions (guardian_id);
delete from sessions;
alter table login_tries add waits_until timestamptz not null default now();
`;

/*
 * A number gets nothing before it has been shown to be theirs. And whoever hangs on a stream hears at once that the
 * session or the link it was opened by is over, whatever ended it.
 */
const reach = `
alter table alert_settings add phone_confirmed text;
update alert_settings set phone_confirmed = delivery->>'phone' where delivery is not null;
-- Whether an answer is from whom it says: null for one that is, and for what was written here.
alter table messages add doubt text check (doubt in ('other-sender', 'not-verified')),
  add sender text, add automatic boolean not null default false;
create table phone_proofs (
  guardian_id uuid primary key references guardians on delete cascade,
  phone text not null, code_hash text not null, expires_at timestamptz not null
);
create function tell_stream_ended() returns trigger language plpgsql as $$
begin
  if old.guardian_id is not null then
    perform pg_notify('cadro_alerts', 'ended:' || old.guardian_id);
  end if;
  return null;
end $$;
create trigger session_ended after delete on sessions for each row execute function tell_stream_ended();
create trigger link_changed after update or delete on guardian_links
  for each row execute function tell_stream_ended();
`;

/*
 * By what one comes in besides a school's own codes: a code that the operator made, an invitation by somebody who is
 * in, the code of a child. Known by its hash, good once.
 */
const invitations = `
create table invitations (
  id uuid primary key default gen_random_uuid(),
  code_hash text not null unique,
  issuer text not null check (issuer in ('school', 'teacher', 'guardian', 'child')),
  role text not null,
  invited_by uuid references guardians on delete set null,
  -- Whose household the one who comes joins; null: a household of their own.
  household_id uuid references households on delete cascade,
  email text, made_at timestamptz not null, expires_at timestamptz not null,
  used_at timestamptz, used_by uuid references guardians on delete set null, withdrawn_at timestamptz
);
create index invitations_by on invitations (invited_by) where used_at is null;
create table invitation_children (
  student_id uuid not null references students on delete cascade,
  invitation_id uuid not null references invitations on delete cascade,
  primary key (student_id, invitation_id)
);
alter table guardian_links
  add issuer text, add invited_by uuid references guardians on delete set null,
  -- Somebody has objected: it opens nothing until the school has answered, and after that nobody objects again.
  add suspended_at timestamptz, add suspended_by uuid references guardians on delete set null,
  add answered_at timestamptz,
  -- The school has ended it: only a code of the school's own takes it up again.
  add barred_at timestamptz;
create or replace view standing_links as
  select l.student_id, l.guardian_id, g.household_id, l.role, l.linked_at
  from guardian_links l join guardians g on g.id = l.guardian_id
  where l.ended_at is null and l.suspended_at is null;
-- Whether other households of the same child may know this one by its names.
alter table households add shows_itself boolean not null default false;
-- What has happened to who sees a child, told to each of its guardians.
create table people_notices (
  guardian_id uuid not null references guardians on delete cascade,
  id uuid not null default gen_random_uuid(),
  student_id uuid references students on delete cascade,
  kind text not null check (kind in
    ('link-made', 'link-ended', 'role-changed', 'suspended', 'restored', 'new-device', 'address-changed')),
  about_id uuid references guardians on delete cascade,
  seq bigint generated always as identity,
  params jsonb not null default '{}', at timestamptz not null, read_at timestamptz,
  primary key (guardian_id, id)
);
create index people_notices_seq on people_notices (guardian_id, seq desc);
`;

/*
 * Who did what, never changed: a row is written once, sealed once by the digest of all that was sealed before it, and
 * not touched again. Who opened a child's record is kept by person and day.
 */
const trail = `
create table trail (
  seq bigint generated always as identity primary key,
  at timestamptz not null, kind text not null,
  person_id uuid, student_id uuid, about_id uuid, params jsonb not null default '{}',
  sealed_no bigint unique, hash text
);
create index trail_student on trail (student_id, seq desc);
create index trail_unsealed on trail (seq) where sealed_no is null;
create unique index trail_opened on trail (student_id, person_id, (params->>'on')) where kind = 'record-opened';
create function keep_trail() returns trigger language plpgsql as $$
begin
  if tg_op = 'UPDATE' and old.sealed_no is null and new.sealed_no is not null
     and (old.seq, old.at, old.kind, old.person_id, old.student_id, old.about_id, old.params)
       is not distinct from (new.seq, new.at, new.kind, new.person_id, new.student_id, new.about_id, new.params) then
    return new;
  end if;
  raise exception 'the trail is only added to';
end $$;
create trigger trail_kept before update or delete on trail for each row execute function keep_trail();
create trigger trail_not_emptied before truncate on trail execute function keep_trail();
`;

export async function up(knex: Knex): Promise<void> {
  for (const part of [people, codes, proofs, reach, invitations, trail]) await knex.raw(part);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table trail');
  await knex.raw('drop function keep_trail()');
  await knex.raw('drop table people_notices');
  await knex.raw('alter table households drop column shows_itself');
  await knex.raw(`create or replace view standing_links as
    select l.student_id, l.guardian_id, g.household_id, l.role, l.linked_at
    from guardian_links l join guardians g on g.id = l.guardian_id where l.ended_at is null`);
  for (const column of ['issuer', 'invited_by', 'suspended_at', 'suspended_by', 'answered_at', 'barred_at'])
    await knex.raw('alter table guardian_links drop column ??', [column]);
  for (const table of ['invitation_children', 'invitations']) await knex.raw('drop table ??', [table]);
  await knex.raw('drop trigger session_ended on sessions');
  await knex.raw('drop trigger link_changed on guardian_links');
  await knex.raw('drop function tell_stream_ended()');
  await knex.raw('drop table phone_proofs');
  await knex.raw('alter table messages drop column doubt, drop column sender, drop column automatic');
  await knex.raw('alter table alert_settings drop column phone_confirmed');
  await knex.raw('alter table login_tries drop column waits_until');
  await knex.raw('alter table sessions drop column guardian_id');
  const tables = ['recovery_codes', 'one_time_secrets', 'passkeys', 'devices', 'account_mails'];
  for (const table of [...tables, 'address_changes', 'address_proofs', 'arrivals'])
    await knex.raw('drop table ??', [table]);
  await knex.raw('drop view guardian_profiles');
  await knex.raw(`create view guardian_profiles as
    select id as guardian_id, household_id, name, given_name, email, language, looked_at from guardians`);
  await knex.raw(
    'alter table guardians drop column made_at, drop column confirmed_at, drop column shown_as, drop column leaves_at',
  );
}
