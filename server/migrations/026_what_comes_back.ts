import type { Knex } from 'knex';
import { both, one } from './policies/whoseRows';

/*
 * What comes back to a letter: files that came with an answer, and other addresses of the same teacher, once the family
 * has said that they are.
 */
const tables = `
create table message_files (
  student_id uuid not null references students on delete cascade,
  id uuid not null default gen_random_uuid() unique,
  message_id uuid not null references messages (id) on delete cascade,
  position integer not null,
  name text not null, media_type text not null,
  -- Of the whole file, also where it is not kept.
  size integer not null,
  -- Null where it is not kept; why says the next column.
  content bytea,
  withheld text check (withheld in ('kind', 'not-as-named', 'too-large')),
  primary key (student_id, id),
  check ((content is null) = (withheld is not null))
);
create index message_files_message on message_files (message_id, position);
create table thread_addresses (
  student_id uuid not null references students on delete cascade,
  thread_id uuid not null references threads on delete cascade,
  address text not null,
  -- Who said that it is the teacher's.
  said_by text not null, said_at timestamptz not null,
  primary key (thread_id, address)
);
create index thread_addresses_student on thread_addresses (student_id);
alter table messages drop constraint messages_doubt_check;
alter table messages add constraint messages_doubt_check
  check (doubt in ('other-sender', 'not-verified', 'not-addressed'));
alter table messages add column doubt_settled_by text,
  -- When a letter goes out that can still be taken back, by the clock that its writer reads.
  add column goes_at timestamptz;
`;

/** A wish for work, which may be for later. */
const jobs = (runAt: string, columns: string): string => `
create or replace function cadro_add_jobs(wished json) returns void
  language plpgsql security definer set search_path = public as $$
begin
  perform graphile_worker.add_jobs(array(
    select (j.task, j.payload, j.queue, ${runAt}, null, j.key, null, null)::graphile_worker.job_spec
    from json_to_recordset(wished) as j(task text, payload json, queue text, key text${columns})));
end $$;
`;
const later = jobs(`case when j.after > 0 then now() + j.after * interval '1 second' end`, ', after float8');
const atOnce = jobs('null', '');

const writes = `student_id = ${one('writes')}`;
const whose: Readonly<Record<string, string>> = {
  message_files: `exists (select from messages m where m.id = message_id)`,
  thread_addresses: `exists (select from threads t where t.id = thread_id)`,
};
const policies = Object.entries(whose).flatMap(([table, stands]) => [
  `grant select, insert, update, delete on ${table} to ${both}`,
  `alter table ${table} enable row level security`,
  `create policy select_${table} on ${table} for select to ${both} using (${stands})`,
  `create policy insert_${table} on ${table} for insert to ${both} with check (${writes} and ${stands})`,
  `create policy update_${table} on ${table} for update to ${both} using (${writes} and ${stands})`,
  `create policy delete_${table} on ${table} for delete to ${both} using (${writes} and ${stands})`,
]);

export async function up(knex: Knex): Promise<void> {
  for (const part of [tables, later, ...policies]) await knex.raw(part);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(atOnce);
  await knex.raw('drop table message_files, thread_addresses');
  await knex.raw(`update messages set doubt = 'other-sender' where doubt = 'not-addressed'`);
  await knex.raw(`alter table messages drop column doubt_settled_by, drop column goes_at,
    drop constraint messages_doubt_check`);
  await knex.raw(`alter table messages add constraint messages_doubt_check
    check (doubt in ('other-sender', 'not-verified'))`);
}
