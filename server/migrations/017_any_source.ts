import type { Knex } from 'knex';

/*
 * A school need not tell everything: what only some sources know (a policy, who wrote a remark, when work was given out)
 * may be missing, and a source says what it has told.
 */
const sources = `
alter table sources
  -- Where a school's times are, if it does not say so itself.
  add column time_zone text not null default 'UTC',
  -- The version of the standard it speaks; null until one has answered.
  add column version text,
  -- What it was asked for apart, and what became of that: {"feed": {"state": "told", "at": …}}.
  add column parts jsonb not null default '{}',
  -- The code of why the last reading failed; null while none does.
  add column failure text;
update sources set
  version = '1.2',
  parts = (select jsonb_object_agg(part, jsonb_build_object('state', 'told', 'since', complete_at, 'at', read_at))
    from unnest(array['roster', 'demographics', 'feed']) as part)
  where complete_at is not null;
alter table sync_problems drop constraint sync_problems_fault;
grant select (parts, failure) on sources to cadro_request, cadro_limited;
`;

const records = `
alter table courses
  add column policy_told boolean not null default true,
  add column term_ids jsonb not null default '[]',
  add column removed boolean not null default false;
alter table courses alter column policy_told set default false;
alter table enrolments
  -- As its source says; \`active\` is what follows from it, the class, and the calendar.
  add column told_active boolean not null default true,
  add column ends_on date;
update enrolments set told_active = active;
alter table enrolments alter column active set default true;
alter table items add column if not exists assigned_told boolean not null default true;
alter table comments alter column author_id drop not null;
-- Of a remark whose writer is not told, the school is the author.
create or replace view student_comments with (security_invoker = true) as
  select m.student_id, m.id as comment_id, m.source_id, m.course_id, c.title as course_title, m.item_id,
    i.title as item_title, m.subject, m.text, coalesce(p.name, sch.name) as author, m.written_at, m.term_external_id,
    m.known_at, m.offers, sch.time_zone, m.about, m.recording, m.elsewhere
  from comments m
  left join teachers p on p.id = m.author_id
  join courses c on c.id = m.course_id
  join schools sch on sch.id = c.school_id
  left join items i on i.id = m.item_id
  -- A remark that came with a score is not said twice where the classroom tells the same.
  where not (m.external_id like 'result:%' and exists (select from comments o
    where o.student_id = m.student_id and o.course_id = m.course_id and o.item_id = m.item_id and o.text = m.text
      and o.external_id not like 'result:%'));
-- When work was given out is said only where its source says it.
create or replace view course_items with (security_invoker = true) as
  select i.id as item_id, i.source_id, i.external_id, i.course_id, i.category_id, k.title as category_title,
    i.title, i.description, i.possible, i.multiplier, i.counts and k.counts as counts, i.extra_credit,
    i.assigned_at, case when i.undated then null else i.due_at end as due_at, i.undated, i.accepted_until,
    i.kind, i.instructions, i.place, i.supplies, i.redo, i.unit, i.term_external_id, i.files, i.rubric, i.removed,
    i.in_class, i.assigned_told
  from items i join categories k on k.id = i.category_id;
create or replace view student_items with (security_invoker = true) as
  select e.student_id, i.item_id, i.source_id, i.external_id, i.course_id, i.category_id, i.category_title,
    i.title, i.description, i.possible, i.multiplier, i.counts, i.extra_credit, i.assigned_at, i.due_at, i.undated,
    i.accepted_until, i.kind, i.instructions, i.place, i.supplies, i.redo, i.unit, i.term_external_id, i.files,
    i.rubric, i.removed, c.title as course_title, c.term_id, sch.time_zone, c.policy is not null as judged,
    r.status, r.at, r.earned, r.late, r.levels, i.in_class, i.assigned_told
  from enrolments e
  join courses c on c.id = e.course_id
  join schools sch on sch.id = c.school_id
  join course_items i on i.course_id = c.id
  left join lateral (
    select r.status, r.at, r.earned, r.late, r.levels from results r
    where r.student_id = e.student_id and r.item_id = i.item_id order by r.at desc, r.seq desc limit 1
  ) r on true
  where e.active and not i.removed;
-- Two schools may give one code: it opens nothing then, and hinders neither.
alter table link_codes drop constraint link_codes_code_hash_key;
create index link_codes_hash on link_codes (code_hash);
`;

export async function up(knex: Knex): Promise<void> {
  for (const part of [sources, records]) await knex.raw(part);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(
    'delete from link_codes k using link_codes o where o.code_hash = k.code_hash and o.ctid < k.ctid',
  );
  await knex.raw('drop index link_codes_hash');
  await knex.raw('alter table link_codes add constraint link_codes_code_hash_key unique (code_hash)');
  await knex.raw('delete from comments where author_id is null');
  await knex.raw('alter table comments alter column author_id set not null');
  // The views keep their newest column: what reads them is given no other names.
  await knex.raw('alter table enrolments drop column told_active, drop column ends_on');
  await knex.raw('alter table courses drop column policy_told, drop column term_ids, drop column removed');
  await knex('sync_problems').whereNotIn('fault', ['misfit', 'unknown-reference']).delete();
  await knex.raw(`alter table sync_problems add constraint sync_problems_fault
    check (fault in ('misfit', 'unknown-reference'))`);
  await knex.raw(
    'alter table sources drop column time_zone, drop column version, drop column parts, drop column failure',
  );
}
