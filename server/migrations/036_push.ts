import type { Knex } from 'knex';
import { person, policiesOf } from './policies/whoseRows';

/*
 * A device that alerts are pushed to, by the session it was asked on: with that session it ends, whatever ends it. Where
 * it is reached, and by which keys, is sealed. What goes out to several devices knows which of them have it.
 */
const devices = `
create table push_devices (
  guardian_id uuid not null references guardians on delete cascade,
  id uuid not null default gen_random_uuid(),
  session_id varchar not null references sessions (sid) on delete cascade,
  address_hash text not null unique,
  sealed text not null,
  device text not null,
  made_at timestamptz not null,
  primary key (guardian_id, id)
);
create index push_devices_session on push_devices (session_id);
alter table deliveries drop constraint deliveries_channel_check,
  add constraint deliveries_channel_check check (channel in ('mail', 'text', 'push')),
  add reached jsonb not null default '[]';
`;

/** Whoever has set what is mailed to them has the same pushed, once they have a device for it. */
const ways = `
update alert_settings set delivery = jsonb_set(delivery, '{ways}', (
  select jsonb_object_agg(kind, way || jsonb_build_object('push', way->'mail'))
  from jsonb_each(delivery->'ways') as told (kind, way)))
where delivery is not null;
`;
const noWays = `
update alert_settings set delivery = jsonb_set(delivery, '{ways}', (
  select jsonb_object_agg(kind, way - 'push') from jsonb_each(delivery->'ways') as told (kind, way)))
  - 'onLockedScreen'
where delivery is not null;
`;

const mine = `guardian_id = ${person}`;

export async function up(knex: Knex): Promise<void> {
  for (const part of [devices, ways, ...policiesOf({ push_devices: { reads: mine, writes: mine } })])
    await knex.raw(part);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    ${noWays}
    delete from deliveries where channel = 'push';
    alter table deliveries drop column reached, drop constraint deliveries_channel_check,
      add constraint deliveries_channel_check check (channel in ('mail', 'text'));
    drop table push_devices`);
}
