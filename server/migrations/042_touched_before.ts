import type { Knex } from 'knex';

/*
 * Whose a row was before it became somebody else's is touched as well: an update tells of the rows as they were beside
 * those that it left. Every table that tells anything does so from here on.
 */
const telling = (rows: string): string => `
create or replace function cadro_touch() returns trigger language plpgsql security definer set search_path = public as $$
declare
  picked text := (select string_agg(format('select %s as scope from %I', part, rows), ' union ')
    from unnest(tg_argv) part, unnest(${rows}) rows);
begin
  execute format('insert into touches (scope) select scope from (%s) t where scope is not null', picked);
  return null;
end $$`;
const left = `array['touched_rows']`;
const both = `case when tg_op = 'UPDATE' then array['touched_rows', 'rows_before'] else ${left} end`;

/** Puts the triggers of updates in place again, each for its table and its columns. */
const referring = (rows: string): string => `
do $$
declare told record;
begin
  for told in select tgrelid::regclass as name, split_part(pg_get_triggerdef(oid), ' EXECUTE ', 2) as doing
    from pg_trigger where tgname = 'touched_by_update'
  loop
    execute format('drop trigger touched_by_update on %s', told.name);
    execute format('create trigger touched_by_update after update on %s referencing ${rows}
      for each statement execute %s', told.name, told.doing);
  end loop;
end $$`;

export async function up(knex: Knex): Promise<void> {
  await knex.raw(telling(both));
  await knex.raw(referring('new table as touched_rows old table as rows_before'));
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(telling(left));
  await knex.raw(referring('new table as touched_rows'));
}
