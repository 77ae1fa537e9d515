import type { Knex } from 'knex';

/*
 * What the owners of tables publish for the rooms below them to join. A view has a documented shape
 * (docs/decisions/024-floors.md); a table is named by its owner alone.
 */
const records = `
create view student_profiles as
  select s.id as student_id, s.source_id, s.external_id, s.given_name, s.family_name, s.year,
    s.school_id, sch.name as school_name, sch.time_zone, sch.attendance_desk_id
  from students s join schools sch on sch.id = s.school_id;

create view school_contacts as select id as teacher_id, name, email from teachers;

create view school_courses as
  select c.id as course_id, c.source_id, c.external_id, c.school_id, c.term_id, c.title, c.room, c.period,
    c.policy, c.standards, c.credits, c.credit_area, c.bump, c.composition,
    sch.time_zone, sch.grade_points, t.external_id as term_external_id,
    c.teacher_id, p.name as teacher_name, p.email as teacher_email
  from courses c
  join schools sch on sch.id = c.school_id
  join terms t on t.id = c.term_id
  left join teachers p on p.id = c.teacher_id;

create view student_courses as
  select e.student_id, c.* from enrolments e join school_courses c using (course_id) where e.active;

create view course_items as
  select i.id as item_id, i.source_id, i.external_id, i.course_id, i.category_id, k.title as category_title,
    i.title, i.description, i.possible, i.multiplier, i.counts and k.counts as counts, i.extra_credit,
    i.assigned_at, case when i.undated then null else i.due_at end as due_at, i.undated, i.accepted_until,
    i.kind, i.instructions, i.place, i.supplies, i.redo, i.unit, i.term_external_id, i.files, i.rubric, i.removed
  from items i join categories k on k.id = i.category_id;

create view student_items as
  select e.student_id, i.*, c.title as course_title, c.term_id, sch.time_zone, c.policy is not null as judged,
    r.status, r.at, r.earned, r.late, r.levels
  from enrolments e
  join courses c on c.id = e.course_id
  join schools sch on sch.id = c.school_id
  join course_items i on i.course_id = c.id
  left join lateral (
    select r.status, r.at, r.earned, r.late, r.levels from results r
    where r.student_id = e.student_id and r.item_id = i.item_id order by r.at desc, r.seq desc limit 1
  ) r on true
  where e.active and not i.removed;

create view student_comments as
  select m.student_id, m.id as comment_id, m.source_id, m.course_id, c.title as course_title, m.item_id,
    i.title as item_title, m.subject, m.text, p.name as author, m.written_at, m.term_external_id, m.known_at,
    m.offers, sch.time_zone
  from comments m
  join teachers p on p.id = m.author_id
  join courses c on c.id = m.course_id
  join schools sch on sch.id = c.school_id
  left join items i on i.id = m.item_id;

create view student_grades as
  select g.student_id, g.source_id, g.course_id, c.title as course_title, g.part, t.title as term_title,
    g.state, g.fraction, g.figure, g.letter, g.credits_earned, g.reported_at, g.known_at
  from grades g
  join courses c on c.id = g.course_id
  left join terms t on t.source_id = g.source_id and t.external_id = g.part;

create view student_marks as
  select a.student_id, a.on_date, a.period, a.course_id, c.title as course_title, a.code, a.note,
    a.marked_by, a.marked_at, a.known_at
  from attendance_marks a left join courses c on c.id = a.course_id;

create view student_codes as
  select s.id as student_id, k.code, k.valid_from, k.kind, k.excused, k.label
  from attendance_codes k join students s on s.source_id = k.source_id;

create view classroom_says as
  select student_id, item_id, status, earned, at from hand_ins;
`;

const household = `
create view guardian_profiles as
  select id as guardian_id, household_id, name, given_name, email, language, looked_at from guardians;

create view standing_links as
  select l.student_id, l.guardian_id, g.household_id, l.role, l.linked_at
  from guardian_links l join guardians g on g.id = l.guardian_id
  where l.ended_at is null;
`;

const sources = `
create view source_states as
  select id as source_id, name, base_url, complete_at, read_at, failing_since from sources;
`;

const views = [
  ...[
    'source_states',
    'standing_links',
    'guardian_profiles',
    'classroom_says',
    'student_codes',
    'student_marks',
  ],
  ...['student_grades', 'student_comments', 'student_items', 'course_items', 'student_courses'],
  ...['school_courses', 'school_contacts', 'student_profiles'],
];

/** Why a record waits or was set aside is a code; what was wrong with it stands beside the code, for who mends it. */
const faults = `
alter table sync_problems add fault text;
update sync_problems set fault =
  case when reason like 'refers to a record%' then 'unknown-reference' else 'misfit' end;
alter table sync_problems alter fault set not null,
  add constraint sync_problems_fault check (fault in ('misfit', 'unknown-reference'));
`;

/*
 * Whose figures are to be computed: put down in the transaction that changes a record, taken by the job that computes
 * them. What moved a figure lately is kept beside it, so that nobody who reads it computes it again. What a source gave
 * for the instant up to which it was read is known by a digest.
 */
const figures = `
create table figures_wanted (
  student_id uuid primary key references students on delete cascade, since timestamptz not null
);
alter table sources add seen jsonb not null default '{}';
alter table current_figures add moved jsonb not null default '[]';
alter table assumed_figures add moved jsonb not null default '[]';
`;

export async function up(knex: Knex): Promise<void> {
  for (const part of [records, household, sources, faults, figures]) await knex.raw(part);
}

export async function down(knex: Knex): Promise<void> {
  for (const view of views) await knex.raw('drop view ??', [view]);
  await knex.raw('alter table sync_problems drop column fault');
  for (const table of ['current_figures', 'assumed_figures']) {
    await knex.raw('alter table ?? drop column moved', [table]);
  }
  await knex.raw('drop table figures_wanted');
  await knex.raw('alter table sources drop column seen');
}
