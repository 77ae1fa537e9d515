import type { Knex } from 'knex';

/*
 * One record out of several sources: what a household writes beside the school's record of a child, or brings in from
 * another source of it, stands in the child's own courses, for that household alone.
 */
const beside = `
alter table sources
  -- The child beside whose record it is written; null for a source that stands by itself.
  add column beside uuid references students on delete cascade;
create unique index sources_beside on sources (household_id, beside) where beside is not null;
alter table courses add column household_id uuid references households on delete cascade;
alter table items
  -- Whose it is, and of which child, where it is a household's own.
  add column household_id uuid references households on delete cascade,
  add column student_id uuid references students on delete cascade,
  -- The school's work it is one with; the one it may be, until somebody says; and those it is not.
  add column same_as uuid references items on delete set null,
  add column maybe uuid references items on delete set null,
  add column apart jsonb not null default '[]',
  -- Whether what it says is what holds of that work.
  add column stands boolean not null default false,
  add check ((household_id is null) = (student_id is null)),
  add check (household_id is not null or same_as is null);
create index items_same_as on items (same_as) where same_as is not null;
create index items_of_student on items (student_id) where student_id is not null;
alter table comments add column household_id uuid references households on delete cascade;
alter table results add column household_id uuid;
alter table change_log add column household_id uuid;
-- Another record of the same child, which a household reads through this one.
alter table guardian_links add column joined_to uuid references students on delete set null;
create table joined_children (
  student_id uuid not null references students on delete cascade,
  household_id uuid not null references households on delete cascade,
  other_id uuid not null references students on delete cascade,
  joined_at timestamptz not null,
  -- No longer read: what it has told stays.
  ended_at timestamptz,
  primary key (student_id, household_id, other_id)
);
create index joined_children_other on joined_children (other_id);
-- Which of the other source's courses is which; null where it stands beside them as one of its own.
create table joined_courses (
  student_id uuid not null references students on delete cascade,
  household_id uuid not null references households on delete cascade,
  other_course_id uuid not null references courses on delete cascade,
  course_id uuid references courses on delete cascade,
  primary key (student_id, household_id, other_course_id)
);
-- Whose word goes first in a course; without a row it is the school's.
create table course_leads (
  student_id uuid not null references students on delete cascade,
  household_id uuid not null references households on delete cascade,
  course_id uuid not null references courses on delete cascade,
  lead text not null check (lead in ('school', 'own')),
  primary key (student_id, household_id, course_id)
);
revoke all on joined_children, joined_courses, course_leads from cadro_request, cadro_limited;
`;

/** The household a connection is for; of Cadro's own there is none. */
const household = `(select nullif(current_setting('cadro.household', true), '')::uuid)`;
const oursOrTold = (table: string): string =>
  `(${table}.household_id is null or ${table}.household_id = ${household})`;
const one = (name: string): string => `any ((select current_setting('cadro.${name}')::uuid[])::uuid[])`;

const standing = (twins: boolean): string => `
create or replace view student_items with (security_invoker = true) as
  select e.student_id, i.item_id, i.source_id, i.external_id, i.course_id, i.category_id, i.category_title,
    i.title, i.description, i.possible, i.multiplier, i.counts, i.extra_credit, i.assigned_at, i.due_at, i.undated,
    i.accepted_until, i.kind, i.instructions, i.place, i.supplies, i.redo, i.unit, i.term_external_id, i.files,
    i.rubric, i.removed, c.title as course_title, c.term_id, sch.time_zone, c.policy is not null as judged,
    r.status, r.at, ${
      twins
        ? `case when t.id is null or t.possible = 0 then r.earned else r.earned * i.possible / t.possible end as earned`
        : 'r.earned'
    }, r.late, r.levels, i.in_class, i.assigned_told
    ${twins ? `, case when i.household_id is null then t.id else i.item_id end as own_id` : ', null::uuid as own_id'}
  from enrolments e
  join courses c on c.id = e.course_id
  join schools sch on sch.id = c.school_id
  join course_items i on i.course_id = c.id
  ${
    twins
      ? `left join items t on t.same_as = i.item_id and t.stands and not t.removed and t.student_id = e.student_id
        and t.household_id = ${household}`
      : ''
  }
  left join lateral (
    select r.status, r.at, r.earned, r.late, r.levels from results r
    where r.student_id = e.student_id and r.item_id = ${twins ? 'coalesce(t.id, i.item_id)' : 'i.item_id'}
    order by r.at desc, r.seq desc limit 1
  ) r on true
  where e.active and not i.removed ${
    twins
      ? `and ${oursOrTold('i')} and (i.own_of is null or i.own_of = e.student_id) and i.same_as is null`
      : ''
  };
`;

const views = `
create or replace view course_items with (security_invoker = true) as
  select i.id as item_id, i.source_id, i.external_id, i.course_id, i.category_id, k.title as category_title,
    i.title, i.description, i.possible, i.multiplier, i.counts and k.counts as counts, i.extra_credit,
    i.assigned_at, case when i.undated then null else i.due_at end as due_at, i.undated, i.accepted_until,
    i.kind, i.instructions, i.place, i.supplies, i.redo, i.unit, i.term_external_id, i.files, i.rubric, i.removed,
    i.in_class, i.assigned_told, i.household_id, i.student_id as own_of, i.same_as
  from items i join categories k on k.id = i.category_id;
${standing(true)}
create or replace view standing_links with (security_invoker = true) as
  select l.student_id, l.guardian_id, g.household_id, l.role, l.linked_at
  from guardian_links l join guardians g on g.id = l.guardian_id
  where l.ended_at is null and l.suspended_at is null and l.joined_to is null;
`;

/** Who reads what is a household's own. */
const policies = [
  `alter policy select_courses on courses using (id = ${one('courses')} and ${oursOrTold('courses')})`,
  `alter policy select_items on items using (course_id = ${one('courses')} and ${oursOrTold('items')}
    and (student_id is null or student_id = ${one('reads')}))`,
  ...['results', 'comments', 'change_log'].map(
    (table) =>
      `alter policy select_${table} on ${table} using (student_id = ${one('reads')} and ${oursOrTold(table)})`,
  ),
];
const policiesBefore = [
  `alter policy select_courses on courses using (id = ${one('courses')})`,
  `alter policy select_items on items using (course_id = ${one('courses')})`,
  ...['results', 'comments', 'change_log'].map(
    (table) => `alter policy select_${table} on ${table} using (student_id = ${one('reads')})`,
  ),
];

/** What the reckoning of a person's sets says from here on, piece by piece. */
const become: readonly (readonly [string, string])[] = [
  [
    'l.ended_at is null and l.suspended_at is null;',
    'l.ended_at is null and l.suspended_at is null and l.joined_to is null;',
  ],
  [
    'from students s where s.id = any (reads);',
    `from (select source_id from students where id = any (reads)
      union select id from sources where beside = any (reads) and household_id = household) s;`,
  ],
];

async function rewrite(knex: Knex, pieces: readonly (readonly [string, string])[]): Promise<void> {
  const { rows } = await knex.raw<{ rows: { text: string }[] }>(
    `select pg_get_functiondef('cadro_become(uuid)'::regprocedure) as text`,
  );
  let text = rows[0]?.text ?? '';
  for (const [before, after] of pieces) {
    if (text.split(before).length !== 2) throw new Error(`cadro_become does not say once: ${before}`);
    text = text.replace(before, after);
  }
  await knex.raw(text.replaceAll('?', '\\?'));
}

/* What somebody does about the reading of a system, and how far it has come. */
const steering = `
alter table sources
  add column paused_at timestamptz,
  -- What is read just now, and how much of it has come: {"collection": …, "records": …}; null while nothing is.
  add column progress jsonb,
  add column stop_asked boolean not null default false,
  -- What a reading would take away and is asked about, {"what": …, "gone": …, "of": …}; and that it may.
  add column shrinks jsonb,
  add column may_shrink boolean not null default false;
grant select (paused_at, progress) on sources to cadro_request, cadro_limited;
`;

export async function up(knex: Knex): Promise<void> {
  await knex.raw(steering);
  await knex.raw(beside);
  await knex.raw(views);
  for (const policy of policies) await knex.raw(policy);
  await rewrite(knex, become);
}

export async function down(knex: Knex): Promise<void> {
  await rewrite(
    knex,
    become.map(([before, after]) => [after, before]),
  );
  await knex('sources').whereNotNull('beside').delete();
  for (const policy of policiesBefore) await knex.raw(policy);
  await knex.raw(standing(false));
  // The views keep their newest columns: what reads them is given no other names.
  await knex.raw(`create or replace view course_items with (security_invoker = true) as
    select i.id as item_id, i.source_id, i.external_id, i.course_id, i.category_id, k.title as category_title,
      i.title, i.description, i.possible, i.multiplier, i.counts and k.counts as counts, i.extra_credit,
      i.assigned_at, case when i.undated then null else i.due_at end as due_at, i.undated, i.accepted_until,
      i.kind, i.instructions, i.place, i.supplies, i.redo, i.unit, i.term_external_id, i.files, i.rubric, i.removed,
      i.in_class, i.assigned_told, null::uuid as household_id, null::uuid as own_of, null::uuid as same_as
    from items i join categories k on k.id = i.category_id`);
  await knex.raw(`create or replace view standing_links with (security_invoker = true) as
    select l.student_id, l.guardian_id, g.household_id, l.role, l.linked_at
    from guardian_links l join guardians g on g.id = l.guardian_id
    where l.ended_at is null and l.suspended_at is null`);
  await knex.raw('drop table joined_children, joined_courses, course_leads');
  await knex.raw('alter table guardian_links drop column joined_to');
  for (const table of ['change_log', 'results', 'comments', 'courses'])
    await knex.raw('alter table ?? drop column household_id', [table]);
  await knex.raw(`alter table items drop column household_id, drop column student_id, drop column same_as,
    drop column maybe, drop column apart, drop column stands`);
  await knex.raw(`alter table sources drop column beside, drop column paused_at, drop column progress,
    drop column stop_asked, drop column shrinks, drop column may_shrink`);
}
