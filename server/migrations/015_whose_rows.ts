import type { Knex } from 'knex';
import { both, policies, protectedTables, requestRoles } from './policies/whoseRows';

/*
 * Rows belong to somebody, behind every route. A request runs as a role that bypasses nothing, on a connection that
 * knows the person (`cadro_become`); the policies below let it see the record of the children whose links stand, as
 * far as the link and the school's restrictions reach, and of a household what its role allows. The owner of the tables,
 * as which the worker and the command run, sees everything.
 */

const roleCheck = (roles: readonly string[]): string =>
  `alter table guardian_links drop constraint guardian_links_role_check,
    add constraint guardian_links_role_check check (role in (${roles.map((role) => `'${role}'`).join(', ')}));`;

/* What an operator asks for before children's records are shown, and who has agreed to which edition of it, and when. */
const consent = `alter table guardians add agreed_to text, add agreed_at timestamptz;`;

/* What a link reaches: a helper's chosen courses and last day; what the school holds back from one person or from all. */
const reach = `
alter table guardian_links
  -- The courses that a helper sees; null where the link reaches all.
  add courses uuid[],
  add ends_on date;
alter table invitations add courses uuid[], add ends_on date;
${roleCheck(['guardian', 'look-only', 'helper', 'student'])}
create table restrictions (
  id uuid primary key default gen_random_uuid(),
  student_id uuid not null references students on delete cascade,
  -- Null holds for everybody but the child.
  guardian_id uuid references guardians on delete cascade,
  what text not null check (what in ('course', 'comments', 'contacts', 'attendance')),
  course_id uuid references courses on delete cascade,
  -- A source that told it may take it back; null where the operator said it.
  source_id uuid references sources on delete cascade,
  made_at timestamptz not null,
  check ((what = 'course') = (course_id is not null)),
  unique nulls not distinct (student_id, guardian_id, what, course_id, source_id)
);
-- What is held back from whom, of some children.
create function cadro_withheld(children uuid[])
  returns table (student_id uuid, guardian_id uuid, what text, course_id uuid)
  language sql stable set search_path = public as $$
  with recursive held as (
    select r.student_id, l.guardian_id, r.what, r.course_id, r.made_at
      from restrictions r join guardian_links l on l.student_id = r.student_id
      where r.student_id = any (children)
        and (r.guardian_id = l.guardian_id or r.guardian_id is null and l.role <> 'student')
    union
    -- Whom somebody lets in from then on sees no more than they do, unless the school itself names them.
    select h.student_id, l.guardian_id, h.what, h.course_id, h.made_at
      from held h join guardian_links l on l.student_id = h.student_id and l.invited_by = h.guardian_id
      where l.role <> 'student' and l.named_as is null and l.linked_at >= h.made_at
  )
  select distinct h.student_id, h.guardian_id, h.what, h.course_id from held h $$;
-- Whoever looks at a page meanwhile looks anew.
create function tell_restricted() returns trigger language plpgsql as $$
begin
  perform pg_notify('cadro_alerts', 'ended:' || l.guardian_id) from guardian_links l
    where l.student_id = coalesce(new.student_id, old.student_id);
  return null;
end $$;
create trigger restricted after insert or delete on restrictions for each row execute function tell_restricted();
`;

/*
 * Two roles: of who sees all of the children that are theirs, and of whom something is hidden from, for whom a second row
 * of policies holds as well. Roles are the cluster's: another database of it may be making the same ones at this moment.
 */
/** What a school tells everybody. */
const nobodys = [
  ...['schools', 'terms', 'categories', 'lessons', 'lesson_notes', 'school_days', 'school_events'],
  'attendance_codes',
];
const role = [
  ...requestRoles.flatMap((name) => [
    `do $$ begin
      if not exists (select from pg_roles where rolname = '${name}') then
        create role ${name} nologin nobypassrls;
      end if;
    exception when duplicate_object or unique_violation then null;
    end $$`,
    `do $$ begin
      if not pg_has_role(current_user, '${name}', 'member') then
        execute format('grant ${name} to %I', current_user);
      end if;
    end $$`,
  ]),
  `grant usage on schema public to ${both}`,
  `grant select, insert, update, delete on all tables in schema public to ${both}`,
  `revoke all on migrations, migrations_lock, link_codes, arrivals, address_proofs, sources, sync_problems,
    told_restrictions from ${both}`,
  `grant select (id, name, base_url, complete_at, read_at, failing_since) on sources to ${both}`,
  // A record that was set aside may be another child's.
  `grant select (source_id, collection, external_id, reason, fault, seen_at) on sync_problems to ${both}`,
  // What nobody's rows are is read alone.
  `revoke insert, update, delete on ${nobodys.join(', ')} from ${both}`,
  `grant usage on all sequences in schema public to ${both}`,
];

/*
 * Reckoned once for each request and connection: whose child's record, whose talk, who may write of whom, and what is
 * hidden, as arrays in settings. Where they are missing a policy fails, and with it the request. Answers which of the
 * two roles it is.
 */
const become = `
create function cadro_become(person uuid) returns text
  language plpgsql security definer set search_path = public as $$
declare
  household uuid := (select household_id from guardians where id = person);
  reads uuid[]; talks uuid[]; writes uuid[]; child uuid[]; comments uuid[]; attends uuid[]; contacts uuid[];
  evenings uuid[]; aims uuid[];
  hidden text[]; seen uuid[]; helping boolean; held boolean;
begin
  select coalesce(array_agg(l.student_id), '{}'),
      coalesce(array_agg(l.student_id) filter (where l.role in ('guardian', 'look-only')), '{}'),
      coalesce(array_agg(l.student_id) filter (where l.role = 'guardian'), '{}'),
      coalesce(array_agg(l.student_id) filter (where l.role = 'student'), '{}'),
      coalesce(bool_or(l.courses is not null), false)
    into reads, talks, writes, child, helping
    from guardian_links l
    where l.guardian_id = person and l.ended_at is null and l.suspended_at is null;
  -- What a family and its child have decided to show each other: the evenings are shown until they say otherwise.
  select coalesce(array_agg(c), '{}') into evenings from unnest(child) c
    where not exists (select from desk_shares d
      where d.student_id = c and d.household_id = household
        and d.what = 'evenings' and not d.shown);
  select coalesce(array_agg(d.student_id), '{}') into aims from desk_shares d
    where d.student_id = any (talks) and d.household_id = household
      and d.what = 'aims' and d.shown;
  held := exists (select from restrictions r where r.student_id = any (reads));
  hidden := '{}'; comments := reads; attends := reads; contacts := talks || child;
  if held or helping then
    select coalesce(array_agg(distinct e.student_id || ':' || e.course_id), '{}') into hidden
      from enrolments e join guardian_links l on l.student_id = e.student_id and l.guardian_id = person
      where e.student_id = any (reads) and (not e.course_id = any (l.courses)
        or exists (select from cadro_withheld(reads) r
          where r.student_id = e.student_id and r.course_id = e.course_id and r.guardian_id = person));
    select
      coalesce(array_agg(s) filter (where not 'comments' = any (w)), '{}'),
      coalesce(array_agg(s) filter (where not 'attendance' = any (w) and c is null), '{}'),
      coalesce(array_agg(s) filter (where not 'contacts' = any (w) and c is null), '{}')
      into comments, attends, contacts
      from (select l.student_id s, l.courses c, array(select r.what from cadro_withheld(reads) r
          where r.student_id = l.student_id and r.guardian_id = person) w
        from guardian_links l where l.guardian_id = person and l.student_id = any (reads)) links;
  end if;
  perform set_config('cadro.sources', coalesce(array_agg(distinct s.source_id), '{}')::text, false)
    from students s where s.id = any (reads);
  select coalesce(array_agg(distinct e.course_id), '{}') into seen from enrolments e
    where e.student_id = any (reads) and (hidden = '{}' or not e.student_id || ':' || e.course_id = any (hidden));
  perform set_config('cadro.person', person::text, false),
    set_config('cadro.household', coalesce(household::text, ''), false),
    set_config('cadro.people', (select coalesce(array_agg(distinct l.guardian_id), '{}') from guardian_links l
      where l.student_id = any (reads))::text, false),
    set_config('cadro.reads', reads::text, false), set_config('cadro.talks', talks::text, false),
    set_config('cadro.writes', writes::text, false), set_config('cadro.child', child::text, false),
    set_config('cadro.evenings', (talks || evenings)::text, false),
    set_config('cadro.ticks', (writes || evenings)::text, false),
    set_config('cadro.says', (writes || child)::text, false), set_config('cadro.aims', (child || aims)::text, false),
    set_config('cadro.comments', comments::text, false), set_config('cadro.attends', attends::text, false),
    set_config('cadro.contacts', contacts::text, false),
    set_config('cadro.home', (talks || child)::text, false),
    set_config('cadro.hidden', hidden::text, false), set_config('cadro.courses', seen::text, false);
  return case when held or helping then 'cadro_limited' else 'cadro_request' end;
end $$;

-- A wish for work is everybody's; the queue's own tables are not.
create function cadro_add_jobs(wished json) returns void
  language plpgsql security definer set search_path = public as $$
begin
  perform graphile_worker.add_jobs(array(
    select (j.task, j.payload, j.queue, null, null, j.key, null, null)::graphile_worker.job_spec
    from json_to_recordset(wished) as j(task text, payload json, queue text, key text)));
end $$;
`;

const views = [
  ...['course_terms', 'student_profiles', 'school_contacts', 'school_courses', 'student_courses'],
  ...[
    'course_items',
    'student_items',
    'student_comments',
    'student_grades',
    'student_marks',
    'student_codes',
  ],
  ...['classroom_says', 'student_statements', 'remarked_works'],
  ...['guardian_profiles', 'standing_links', 'source_states'],
];

export async function up(knex: Knex): Promise<void> {
  for (const part of [consent, reach, ...role, become, ...policies()]) await knex.raw(part);
  for (const view of views) await knex.raw(`alter view ?? set (security_invoker = true)`, [view]);
}

export async function down(knex: Knex): Promise<void> {
  for (const view of views) await knex.raw(`alter view ?? reset (security_invoker)`, [view]);
  const { rows } = await knex.raw<{ rows: { tablename: string; policyname: string }[] }>(
    `select tablename, policyname from pg_policies where schemaname = 'public'`,
  );
  for (const { tablename, policyname } of rows)
    await knex.raw('drop policy ?? on ??', [policyname, tablename]);
  for (const table of protectedTables) await knex.raw('alter table ?? disable row level security', [table]);
  for (const signature of ['cadro_become(uuid)', 'cadro_add_jobs(json)'])
    await knex.raw(`drop function ${signature}`);
  // The roles are the cluster's, and may be another database's, too.
  for (const what of ['all on all tables in schema', 'all on all sequences in schema', 'usage on schema'])
    await knex.raw(`revoke ${what} public from ${both}`);
  await knex.raw('drop table restrictions');
  await knex.raw('drop function tell_restricted(); drop function cadro_withheld(uuid[])');
  for (const table of ['guardian_links', 'invitations']) await knex(table).where({ role: 'helper' }).delete();
  await knex.raw(roleCheck(['guardian', 'look-only', 'student']));
  await knex.raw('alter table guardian_links drop column courses, drop column ends_on');
  await knex.raw('alter table invitations drop column courses, drop column ends_on');
  await knex.raw('alter table guardians drop column agreed_to, drop column agreed_at');
}
