import type { Knex } from 'knex';

/*
 * A work's newest score is found by its index. Below the policies PostgreSQL asks an index only for what cannot tell of
 * rows that are not to be seen, and of `coalesce` it does not know that: it read every score of the child for each work.
 */
const before = /COALESCE\(t\.id, i\.item_id\)/;
const after = /CASE\s+WHEN t\.id IS NULL THEN i\.item_id\s+ELSE t\.id\s+END/;

async function rewrite(knex: Knex, known: RegExp, wanted: string): Promise<void> {
  const { rows } = await knex.raw<{ rows: { text: string }[] }>(
    `select pg_get_viewdef('student_items'::regclass) as text`,
  );
  const parts = rows[0]?.text.split(known) ?? [];
  if (parts.length !== 2) throw new Error(`student_items does not say once: ${known.source}`);
  await knex.raw(
    `create or replace view student_items with (security_invoker = true) as ${parts.join(wanted)}`,
  );
}

export const up = (knex: Knex): Promise<void> =>
  rewrite(knex, before, 'case when t.id is null then i.item_id else t.id end');

export const down = (knex: Knex): Promise<void> => rewrite(knex, after, 'coalesce(t.id, i.item_id)');
