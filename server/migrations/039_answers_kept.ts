import type { Knex } from 'knex';

/*
 * Answers that stand until something of them is touched. Whatever a page is made of tells, in a list that is only added
 * to, whose it is: a child, a course, a source, a household, a guardian. What the list holds of somebody is counted
 * before a page is made and again before it is given out once more; nobody waits for a lock. Both tables may be lost
 * with the server's memory: then every page is made anew.
 */
const tables = `
create unlogged table touches (
  scope uuid not null,
  id bigint generated always as identity,
  at timestamptz not null default now()
);
create index touches_scope on touches (scope) include (id);
create index touches_at on touches using brin (at);

create unlogged table kept_answers (
  guardian_id uuid not null,
  name text not null,
  build text not null,
  scopes uuid[] not null,
  stamp text not null,
  made_at timestamptz not null,
  until timestamptz not null,
  etag text not null,
  body text not null,
  at timestamptz not null default now(),
  primary key (guardian_id, name)
);
alter table kept_answers add foreign key (guardian_id) references guardians on delete cascade`;

/** How much has been touched of some: differs whenever anything more has, or is forgotten. */
const stamp = `
create function cadro_stamp(scopes uuid[]) returns text language sql stable set search_path = public as $$
  select count(*) || ':' || coalesce(sum(id), 0) from touches where scope = any (scopes) $$`;

/** All that an answer to a guardian may be made of: more than they see, never less. */
const scopes = `
create function cadro_scopes(person uuid) returns uuid[] language sql stable set search_path = public as $$
  with home as (select id, household_id from guardians where id = person),
  linked as (
    select l.student_id as id from guardians g join home h using (household_id)
      join guardian_links l on l.guardian_id = g.id
  ),
  children as (
    select id from linked
    union select j.other_id from joined_children j join linked on linked.id = j.student_id
    union select j.student_id from joined_children j join linked on linked.id = j.other_id
  )
  select array_agg(id) from (
    select id from home
    union select household_id from home
    union select id from children
    union select l.guardian_id from guardian_links l join children c on c.id = l.student_id
    union select e.course_id from enrolments e join children c on c.id = e.student_id
    union select s.source_id from students s join children c using (id)
    union select s.id from sources s join children c on c.id = s.beside
  ) all_of_it where id is not null $$`;

/** Tells of each statement whose rows it touched, once each; the columns are the trigger's arguments. */
const telling = `
create function cadro_touch() returns trigger language plpgsql security definer set search_path = public as $$
declare
  picked text := (select string_agg(format('select %s as scope from touched_rows', part), ' union ')
    from unnest(tg_argv) part);
begin
  execute format('insert into touches (scope) select scope from (%s) t where scope is not null', picked);
  return null;
end $$`;

/** What is deleted of a child is not read in an answer that is kept, either. */
const forgetting = `
create function cadro_forget_answers() returns trigger language plpgsql security definer set search_path = public as $$
begin
  delete from kept_answers where scopes && (select array_agg(id) from touched_rows);
  return null;
end $$;
create trigger answers_forgotten after delete on students
  referencing old table as touched_rows for each statement execute function cadro_forget_answers()`;

/** By which column each table tells whose its rows are: of several, all; in one, the first that says something. */
const touching: Readonly<Record<string, readonly string[]>> = {
  student_id: [
    ...['enrolments', 'results', 'rubric_marks', 'hand_ins', 'comments', 'grades', 'grade_statements'],
    ...['credit_plans', 'attendance_marks', 'change_log', 'current_figures', 'assumed_figures'],
    ...['child_files', 'course_leads', 'told_restrictions', 'restrictions', 'balances', 'rides'],
    ...['joined_children', 'joined_courses', 'household_marks', 'code_meanings', 'policy_corrections'],
    ...['offer_answers', 'targets', 'followups', 'followup_entries', 'threads', 'messages', 'thread_reads'],
    ...['notes', 'teacher_wants', 'meeting_guests', 'asked_answers', 'efforts', 'tries', 'plans'],
    ...['plan_exceptions', 'plan_tasks', 'desk_shares', 'desk_words', 'desk_pieces', 'own_dates'],
    ...['supplies_got', 'calendar_entry_children'],
  ],
  'coalesce(course_id, source_id)': ['categories', 'lessons', 'lesson_notes', 'school_events'],
  'coalesce(student_id, course_id)': ['items'],
  'coalesce(student_id, course_id, source_id)': ['announcements'],
  source_id: ['schools', 'terms', 'teachers', 'attendance_codes', 'school_days', 'bulletins', 'slots'],
  household_id: [
    ...['announcement_answers', 'announcement_takes', 'meetings', 'calendar_entries', 'calendar_imports'],
  ],
  guardian_id: ['alerts', 'alert_settings', 'alert_silences', 'announcement_states', 'news_looks'],
  id: ['courses', 'students', 'sources', 'households'],
};
const touchingTwice: Readonly<Record<string, readonly string[]>> = {
  guardians: ['id', 'household_id'],
  guardian_links: ['student_id', 'guardian_id'],
};
const told = [
  ...Object.entries(touching).flatMap(([column, all]) => all.map((table) => [table, [column]] as const)),
  ...Object.entries(touchingTwice),
];
const events = { insert: 'new', update: 'new', delete: 'old' } as const;

export async function up(knex: Knex): Promise<void> {
  for (const part of [tables, stamp, scopes, telling, forgetting]) await knex.raw(part);
  for (const [table, columns] of told)
    for (const [event, rows] of Object.entries(events))
      await knex.raw(`
        create trigger touched_by_${event} after ${event} on ${table}
        referencing ${rows} table as touched_rows for each statement
        execute function cadro_touch(${columns.map((column) => `'${column}'`).join()})`);
}

export async function down(knex: Knex): Promise<void> {
  for (const [table] of told)
    for (const event of Object.keys(events)) await knex.raw(`drop trigger touched_by_${event} on ${table}`);
  await knex.raw(`
    drop trigger answers_forgotten on students;
    drop function cadro_forget_answers(), cadro_touch(), cadro_scopes(uuid), cadro_stamp(uuid[]);
    drop table kept_answers, touches`);
}
