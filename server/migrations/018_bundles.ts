import type { Knex } from 'knex';

/* Schools that hand over files: what came in, how far it has been taken, and what has to be asked before more is. */
const bundles = `
alter table sources add column kind text not null default 'interface' check (kind in ('interface', 'bundles'));
create table bundles (
  id uuid primary key default gen_random_uuid(),
  source_id uuid not null references sources on delete cascade,
  -- In the order they came.
  seq bigint generated always as identity,
  name text not null, digest text, bytes bigint not null default 0,
  state text not null default 'coming'
    check (state in ('coming', 'waiting', 'reading', 'asking', 'done', 'refused', 'stopped')),
  -- Why nothing of it could be read, and what is asked before it is taken: {"what": "items", "gone": 40, "of": 100}.
  fault text, detail text, ask jsonb, agreed boolean not null default false,
  -- The table and row it has been taken up to.
  at_table text, at_row integer,
  records integer not null default 0, problems integer not null default 0,
  came_at timestamptz not null, over_at timestamptz
);
create index bundles_source on bundles (source_id, seq desc);
-- The file, in parts, until it has been taken.
create table bundle_parts (
  bundle_id uuid not null references bundles on delete cascade,
  seq integer not null, bytes bytea not null,
  primary key (bundle_id, seq)
);
alter table bundle_parts alter column bytes set storage external;
-- What a table that is told as a whole names: the rest of what is known has gone.
create table told_ids (
  source_id uuid not null references sources on delete cascade,
  collection text not null, external_id text not null,
  primary key (source_id, collection, external_id)
);
revoke all on bundles, bundle_parts, told_ids from cadro_request, cadro_limited;
`;

export async function up(knex: Knex): Promise<void> {
  await knex.raw(bundles);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table bundle_parts, bundles, told_ids');
  await knex('sources').where({ kind: 'bundles' }).delete();
  await knex.raw('alter table sources drop column kind');
}
