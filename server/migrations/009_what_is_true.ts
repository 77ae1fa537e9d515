import type { Knex } from 'knex';

/*
 * Work that is done in class; all that schools have stated of a course; which term a course's figures are of, and how the one before ended.
 */
const work = `
alter table items add in_class boolean;
create or replace view course_items as
  select i.id as item_id, i.source_id, i.external_id, i.course_id, i.category_id, k.title as category_title,
    i.title, i.description, i.possible, i.multiplier, i.counts and k.counts as counts, i.extra_credit,
    i.assigned_at, case when i.undated then null else i.due_at end as due_at, i.undated, i.accepted_until,
    i.kind, i.instructions, i.place, i.supplies, i.redo, i.unit, i.term_external_id, i.files, i.rubric, i.removed,
    i.in_class
  from items i join categories k on k.id = i.category_id;

create or replace view student_items as
  select e.student_id, i.item_id, i.source_id, i.external_id, i.course_id, i.category_id, i.category_title,
    i.title, i.description, i.possible, i.multiplier, i.counts, i.extra_credit, i.assigned_at, i.due_at, i.undated,
    i.accepted_until, i.kind, i.instructions, i.place, i.supplies, i.redo, i.unit, i.term_external_id, i.files,
    i.rubric, i.removed, c.title as course_title, c.term_id, sch.time_zone, c.policy is not null as judged,
    r.status, r.at, r.earned, r.late, r.levels, i.in_class
  from enrolments e
  join courses c on c.id = e.course_id
  join schools sch on sch.id = c.school_id
  join course_items i on i.course_id = c.id
  left join lateral (
    select r.status, r.at, r.earned, r.late, r.levels from results r
    where r.student_id = e.student_id and r.item_id = i.item_id order by r.at desc, r.seq desc limit 1
  ) r on true
  where e.active and not i.removed;
`;

/* What a school has stated of a course stays known when it states something else: what was known on a day can be told. */
const statements = `
create table grade_statements (
  id bigint generated always as identity,
  student_id uuid not null references students on delete cascade,
  source_id uuid not null references sources on delete cascade, external_id text not null,
  course_id uuid not null references courses on delete cascade,
  part text not null, state text not null,
  fraction double precision, figure double precision, letter text,
  reported_at timestamptz not null, known_at timestamptz,
  primary key (student_id, id)
);
create index grade_statements_grade on grade_statements (source_id, external_id);
insert into grade_statements
  (student_id, source_id, external_id, course_id, part, state, fraction, figure, letter, reported_at, known_at)
  select student_id, source_id, external_id, course_id, part, state, fraction, figure, letter, reported_at, known_at
  from grades order by reported_at;

create function keep_statement() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' then
    delete from grade_statements where source_id = old.source_id and external_id = old.external_id;
  else
    insert into grade_statements
      (student_id, source_id, external_id, course_id, part, state, fraction, figure, letter, reported_at, known_at)
      values (new.student_id, new.source_id, new.external_id, new.course_id, new.part, new.state,
        new.fraction, new.figure, new.letter, new.reported_at, new.known_at);
  end if;
  return null;
end $$;
create trigger grades_keep_statement after insert or update or delete on grades
  for each row execute function keep_statement();

create view student_statements as
  select g.student_id, g.source_id, g.course_id, c.title as course_title, g.part, t.title as term_title,
    g.state, g.fraction, g.figure, g.letter, g.reported_at, g.known_at
  from grade_statements g
  join courses c on c.id = g.course_id
  left join terms t on t.source_id = g.source_id and t.external_id = g.part;
`;

/* Works of which a teacher's words or a rubric's levels say that something was looked at. */
const remarks = `
create view remarked_works as
  select student_id, item_id from comments where item_id is not null
  union
  select student_id, item_id from rubric_marks where marks <> '[]';
`;

/* An alert keeps the title it was told under. */
const titles = `alter table alerts add titled jsonb not null default '[]'`;

/* Kept figures are a cache: what they lack is what a course without second chances has, until they are computed anew. */
const figures = ['current_figures', 'assumed_figures']
  .map(
    (table) => `
alter table ${table} add standing jsonb, add ended jsonb;
update ${table} set figures = figures || '{"chances": []}', as_of = 'epoch';`,
  )
  .join('');

export async function up(knex: Knex): Promise<void> {
  for (const part of [work, statements, remarks, titles, figures]) await knex.raw(part);
}

export async function down(): Promise<void> {
  throw new Error('009 adds what later records refer to: go back by restoring a backup');
}
