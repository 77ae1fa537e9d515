import type { Knex } from 'knex';

/*
 * Who has a follow-up: one guardian, all of them, or the child; who asked them, and whether they said yes. And what is to
 * be done for it, in the family's own words.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table followups
      add column owner_kind text not null default 'guardian' check (owner_kind in ('guardian', 'everyone', 'child')),
      add column owner_id uuid references guardians on delete set null,
      add column asked_by uuid references guardians on delete set null,
      add column asked_state text check (asked_state in ('asked', 'accepted')),
      add column asked_word text,
      add column checklist jsonb not null default '[]';
    create index followups_owner on followups (owner_id) where owner_id is not null;
    create index followups_asked_by on followups (asked_by) where asked_by is not null;
    alter table followup_entries add column told_to text;
    -- Whoever took one up has it.
    update followups f set owner_id = (
      select g.id from guardians g where g.household_id = f.household_id and g.name = (
        select e.author from followup_entries e
        where e.student_id = f.student_id and e.followup_id = f.id order by e.at, e.id limit 1)
      order by g.id limit 1);
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table followup_entries drop column told_to;
    alter table followups drop column owner_kind, drop column owner_id, drop column asked_by,
      drop column asked_state, drop column asked_word, drop column checklist;
  `);
}
