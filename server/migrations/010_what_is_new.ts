import type { Knex } from 'knex';

/*
 * What is new: up to when a guardian has seen it, and when an announcement came. `since` begins what is new in the
 * sitting that lasted until `seen_at`; null in the first. A digest that is kept says with how many decimals our own count is written.
 */
const looks = `
create table news_looks (
  guardian_id uuid primary key references guardians on delete cascade,
  since timestamptz, seen_at timestamptz not null
);
alter table announcements add known_at timestamptz;
create index change_log_moved on change_log (student_id, at) where kind = 'work' and before is not null;
`;

/* What a guardian has begun to write and neither sent nor thrown away. */
const drafts = `
create table drafts (
  guardian_id uuid not null references guardians on delete cascade, key text not null,
  student_id uuid not null references students on delete cascade,
  kind text not null, title text not null, place text not null, fields jsonb not null, saved_at timestamptz not null,
  primary key (guardian_id, key)
);
create index drafts_student on drafts (student_id);
`;

const digests = `
update digests set content = replace(content::text, '"count": {', '"count": {"decimals": 1, ')::jsonb
  where content::text like '%"count": {%'`;

/* The readers of offers know more by now: what nobody has answered is read once more. */
const offers = `
update comments m set offers_of = null
  where not exists (select 1 from offer_answers a where a.student_id = m.student_id and a.comment_id = m.id)`;

/* Where else teachers leave words, and each time a work was handed in. */
const words = `
alter table comments add about jsonb, add recording jsonb, add elsewhere text;
alter table hand_ins add tries jsonb not null default '[]';
create or replace view student_comments as
  select m.student_id, m.id as comment_id, m.source_id, m.course_id, c.title as course_title, m.item_id,
    i.title as item_title, m.subject, m.text, p.name as author, m.written_at, m.term_external_id, m.known_at,
    m.offers, sch.time_zone, m.about, m.recording, m.elsewhere
  from comments m
  join teachers p on p.id = m.author_id
  join courses c on c.id = m.course_id
  join schools sch on sch.id = c.school_id
  left join items i on i.id = m.item_id;
create or replace view classroom_says as
  select student_id, item_id, status, earned, at, tries from hand_ins;
`;

export async function up(knex: Knex): Promise<void> {
  for (const part of [looks, drafts, digests, offers, words]) await knex.raw(part);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop index change_log_moved');
  await knex.raw('alter table announcements drop column known_at');
  await knex.raw('drop table drafts');
  await knex.raw('drop table news_looks');
}
