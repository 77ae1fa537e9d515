import type { Knex } from 'knex';
import { household, one } from './policies/whoseRows';

/*
 * Follow-ups come back by a fact, or week after week; two become one; one that was begun by mistake is forgotten, and
 * brought back. What the child has stands on its desk, where it ticks it off itself.
 */
const columns = `
alter table followups
  add column look_again_when text check (look_again_when in ('graded')),
  add column repeats jsonb,
  add column child_done_at timestamptz,
  add column merged_into uuid references followups (id) on delete cascade,
  add column forgotten_at timestamptz,
  -- Where one that is merged or forgotten stood.
  add column step_before text;
create index followups_merged on followups (merged_into) where merged_into is not null;
`;

const ours = `household_id = ${household} and student_id`;
const family = { reads: `${ours} = ${one('talks')}`, writes: `${ours} = ${one('writes')}` };
const childs = `owner_kind = 'child' and ${ours} = ${one('child')}`;
const stands = 'exists (select from followups f where f.id = followup_id)';
const said = { reads: stands, writes: `student_id = ${one('writes')} and ${stands}` };

export async function up(knex: Knex): Promise<void> {
  await knex.raw(columns);
  await knex.raw(`alter policy select_followups on followups using (${family.reads} or ${childs})`);
  await knex.raw(`alter policy update_followups on followups
    using (${family.writes} or ${childs}) with check (${family.writes} or ${childs})`);
  // The child ticks off what it has; what was said about it is the family's.
  await knex.raw(`alter policy select_followup_entries on followup_entries
    using (student_id = ${one('talks')} and ${said.reads})`);
  await knex.raw(`alter policy insert_followup_entries on followup_entries
    with check (${said.writes} or kind = 'ticked' and student_id = ${one('child')} and ${stands})`);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`alter policy insert_followup_entries on followup_entries with check (${said.writes})`);
  await knex.raw(`alter policy select_followup_entries on followup_entries using (${said.reads})`);
  await knex.raw(`alter policy update_followups on followups
    using (${family.writes}) with check (${family.writes})`);
  await knex.raw(`alter policy select_followups on followups using (${family.reads})`);
  await knex.raw(`
    alter table followups drop column look_again_when, drop column repeats, drop column child_done_at,
      drop column merged_into, drop column forgotten_at, drop column step_before;
  `);
}
