/*
 * Which rows a request reads and writes, table by table, as migration 015 puts it into the database. What a person's
 * sets are (`cadro.reads` and so on) is reckoned by its `cadro_become`.
 */

/** Of who sees all of the children that are theirs, and of whom something is hidden from. */
export const requestRoles = ['cadro_request', 'cadro_limited'];
export const both = requestRoles.join(', ');

/** The same for each of several tables. */
const ofEach = <T>(tables: readonly string[], value: T): Record<string, T> =>
  Object.fromEntries(tables.map((table) => [table, value]));

/** A set of the person's, as the one value it is for a whole statement. */
export const one = (name: string): string =>
  `any ((select current_setting('cadro.${name}')::uuid[])::uuid[])`;
export const person = `(select current_setting('cadro.person')::uuid)`;
export const household = `(select nullif(current_setting('cadro.household'), '')::uuid)`;
/** Whom a school names for a child whose file one may see. */
const named = (table: string): string => `exists (select from child_files f
  where f.source_id = ${table}.source_id and jsonb_exists(f.agents, ${table}.external_id))`;
/**
 * What the school tells: whose rows of a table a request reads. It writes none of them. What it tells everybody (its
 * terms, days, bells, codes, the groups that works fall into) is nobody's, and only read.
 */
const told: Record<string, string> = {
  students: `id = ${one('reads')}`,
  ...ofEach(
    [
      ...['enrolments', 'results', 'rubric_marks', 'hand_ins', 'comments', 'grades', 'grade_statements'],
      ...['credit_plans', 'attendance_marks', 'change_log', 'current_figures', 'assumed_figures'],
      'figures_wanted',
    ],
    `student_id = ${one('reads')}`,
  ),
  courses: `id = ${one('courses')}`,
  items: `course_id = ${one('courses')}`,
  ...ofEach(['teachers', 'announcements', 'sync_problems'], `source_id = ${one('sources')}`),
  sources: `id = ${one('sources')}`,
  child_files: `student_id = ${one('contacts')}`,
  school_people: named('school_people'),
  // How the school reaches somebody is for their own household, which is known by its confirmed addresses.
  school_reaches: `${named('school_reaches')} and exists (select from guardians g
    where g.household_id = ${household} and g.confirmed_at is not null and lower(g.email) = lower(school_reaches.email))`,
  restrictions: 'false',
};

/** Who of a household reads the rows of some tables, and who writes them: as statements. */
export const policiesOf = (
  whose: Readonly<Record<string, { readonly reads: string; readonly writes: string }>>,
): string[] =>
  Object.entries(whose).flatMap(([table, { reads, writes }]) => [
    `grant select, insert, update, delete on ${table} to ${both}`,
    `alter table ${table} enable row level security`,
    `create policy select_${table} on ${table} for select to ${both} using (${reads})`,
    `create policy insert_${table} on ${table} for insert to ${both} with check (${writes})`,
    `create policy update_${table} on ${table} for update to ${both} using (${writes}) with check (${writes})`,
    `create policy delete_${table} on ${table} for delete to ${both} using (${writes})`,
  ]);

const writesAny = `(select current_setting('cadro.writes') <> '{}')`;
const ours = (children: string): string => `household_id = ${household} and student_id = ${one(children)}`;

/** A family's aims are its own, and the child's the child's: each shows them, or not. */
const aimsOf = (family: string, child: string): string =>
  `household_id = ${household} and
    (not by_child and student_id = ${one(family)} or by_child and student_id = ${one(child)})`;

/** What a household writes about a child: who of it reads a row, and who writes one; `updates` where that is others. */
const written: Record<string, { reads: string; writes: string; updates?: string }> = {
  ...ofEach(
    [
      ...['household_marks', 'code_meanings', 'policy_corrections', 'efforts'],
      ...['own_dates', 'supplies_got', 'offer_answers'],
    ],
    { reads: ours('reads'), writes: ours('writes') },
  ),
  ...ofEach(['followups', 'threads'], { reads: ours('talks'), writes: ours('writes') }),
  // The child says itself where its work is, sees the evenings that are planned with it, and ticks them off.
  asked_answers: { reads: ours('reads'), writes: ours('says') },
  plan_exceptions: { reads: ours('evenings'), writes: ours('writes') },
  ...ofEach(['plans', 'plan_tasks'], {
    reads: ours('evenings'),
    writes: ours('writes'),
    updates: ours('ticks'),
  }),
  ...ofEach(['targets', 'tries'], { reads: aimsOf('talks', 'aims'), writes: aimsOf('writes', 'child') }),
  desk_shares: {
    reads: ours('home'),
    writes: `household_id = ${household} and (what = 'evenings' and student_id = ${one('writes')}
      or what = 'aims' and student_id = ${one('child')})`,
  },
  // A guardian tells the child that it has been seen.
  desk_words: { reads: ours('home'), writes: ours('child'), updates: ours('writes') },
  desk_pieces: {
    reads: `household_id = ${household} and (student_id = ${one('child')} or shown and student_id = ${one('talks')})`,
    writes: ours('child'),
  },
  followup_entries: {
    reads: `exists (select from followups f where f.id = followup_id)`,
    writes: `student_id = ${one('writes')} and exists (select from followups f where f.id = followup_id)`,
  },
  messages: {
    reads: `exists (select from threads t where t.id = thread_id)`,
    writes: `student_id = ${one('writes')} and exists (select from threads t where t.id = thread_id)`,
  },
  calendar_imports: {
    reads: `household_id = ${household} and (student_id is null or student_id = ${one('talks')})`,
    writes: `household_id = ${household} and (student_id = ${one('writes')} or student_id is null and ${writesAny})`,
  },
  imported_events: {
    reads: `exists (select from calendar_imports i where i.id = import_id)`,
    writes: `exists (select from calendar_imports i where i.id = import_id
      and (i.student_id is null and ${writesAny} or i.student_id = ${one('writes')}))`,
  },
  calendar_entries: {
    reads: `household_id = ${household} and (shared or guardian_id = ${person})`,
    writes: `household_id = ${household} and (shared or guardian_id = ${person}) and ${writesAny}`,
  },
  calendar_entry_children: {
    reads: `student_id = ${one('reads')}`,
    writes: `student_id = ${one('writes')} and exists (select from calendar_entries e where e.id = entry_id)`,
  },
};

const mine = `guardian_id = ${person}`;
/** What is one person's alone; of a child, only while the link stands. */
const own: Record<string, string> = {
  ...ofEach(
    [
      ...['digests', 'deliveries', 'devices', 'passkeys', 'phone_proofs', 'sessions'],
      ...['recovery_codes', 'one_time_secrets', 'news_looks', 'people_notices', 'account_mails'],
      ...['address_changes', 'thread_reads'],
    ],
    mine,
  ),
  drafts: `${mine} and student_id = ${one('writes')}`,
  alert_settings: `${mine}
    and (select current_setting('cadro.talks') <> '{}' or current_setting('cadro.reads') = '{}')`,
  alert_looks: `${mine} and student_id = ${one('talks')}`,
  alert_silences: `${mine} and (student_id is null or student_id = ${one('talks')})`,
  alerts: `${mine} and (student_id is null or student_id = ${one('talks')})`,
  calendar_published: `exists (select from calendar_feeds f where f.id = feed_id)`,
};

/** Who is who: the own household, and whoever is linked to the same child. Only the house changes it. */
const people: Record<string, string> = {
  guardian_links: `guardian_id = ${person} or student_id = ${one('reads')}`,
  guardians: `id = ${person} or household_id = ${household} or id = ${one('people')}`,
  households: `id = ${household} or exists (select from guardians g where g.household_id = households.id)`,
  invitations: `household_id = ${household} or invited_by = ${person}
    or exists (select from guardians g where g.id = invited_by and g.household_id = ${household})`,
  invitation_children: `student_id = ${one('reads')}`,
};

/** A subscription of one's own, to no child but one's own. */
const fed = `${mine} and student_ids <@ (select to_jsonb(current_setting('cadro.reads')::uuid[]))`;

const hidden = `any (current_setting('cadro.hidden')::text[])`;
const courseShown = `(course_id is null or not student_id || ':' || course_id = ${hidden})`;
const itemShown = `(item_id is null or not exists (select from items i
  where i.id = item_id and student_id || ':' || i.course_id = ${hidden}))`;

/** What is left to whom something is hidden from: this must hold, too. */
const limits: Record<string, string> = {
  ...ofEach(
    [
      ...['enrolments', 'grades', 'grade_statements', 'current_figures', 'assumed_figures'],
      ...['policy_corrections', 'tries', 'followups'],
    ],
    courseShown,
  ),
  ...ofEach(['results', 'hand_ins', 'own_dates', 'supplies_got', 'plan_tasks', 'desk_pieces'], itemShown),
  desk_words: `${courseShown} and ${itemShown} and (comment_id is null or student_id = ${one('comments')})`,
  ...ofEach(['efforts', 'asked_answers'], `${itemShown} and student_id = ${one('home')}`),
  targets: `${courseShown} and student_id = ${one('home')}`,
  comments: `student_id = ${one('comments')} and ${courseShown}`,
  rubric_marks: `student_id = ${one('comments')} and ${itemShown}`,
  offer_answers: `student_id = ${one('comments')}`,
  attendance_marks: `student_id = ${one('attends')} and ${courseShown}`,
  ...ofEach(['household_marks', 'code_meanings'], `student_id = ${one('attends')}`),
  // A helper is of the household that lets them in, and no part of what it has at home.
  calendar_entries: `current_setting('cadro.home') <> '{}'`,
  change_log: `${courseShown} and (kind <> 'comment' or student_id = ${one('comments')})
    and (kind <> 'mark' or student_id = ${one('attends')})`,
  ...ofEach(
    ['alerts', 'alert_silences'],
    // A silence of no kind, or of no child, is of all of them.
    `${courseShown} and (kind is distinct from 'comment' or student_id is null or student_id = ${one('comments')})
    and (kind is distinct from 'attendance' or student_id is null or student_id = ${one('attends')})`,
  ),
};

export const policies = (): string[] => {
  const protect = (table: string): string => `alter table ${table} enable row level security`;
  const may = (table: string, what: string, clause: string): string =>
    `create policy ${what}_${table} on ${table} for ${what} to ${both} ${clause}`;
  return [
    ...Object.entries({ ...told, ...people }).flatMap(([table, reads]) => [
      protect(table),
      may(table, 'select', `using (${reads})`),
    ]),
    ...Object.entries(written).flatMap(([table, { reads, writes, updates = writes }]) => [
      protect(table),
      may(table, 'select', `using (${reads})`),
      may(table, 'insert', `with check (${writes})`),
      may(table, 'update', `using (${updates}) with check (${updates})`),
      may(table, 'delete', `using (${writes})`),
    ]),
    ...Object.entries(own).flatMap(([table, whose]) => [
      protect(table),
      may(table, 'all', `using (${whose}) with check (${whose})`),
    ]),
    ...Object.entries(limits).map(
      ([table, shown]) =>
        `create policy limit_${table} on ${table} as restrictive for all to cadro_limited using (${shown})`,
    ),
    protect('calendar_feeds'),
    ...['select', 'delete'].map((what) => may('calendar_feeds', what, `using (${mine})`)),
    may('calendar_feeds', 'insert', `with check (${fed})`),
    may('calendar_feeds', 'update', `using (${mine}) with check (${fed})`),
    // Taken back by who gave it, and by a guardian of the same household: of those that one sees.
    may('invitations', 'update', `using (invited_by = ${person} or ${writesAny})`),
    // One's own name and language one changes oneself, and what the own household shows of itself.
    may('guardians', 'update', `using (id = ${person}) with check (id = ${person})`),
    may('households', 'update', `using (id = ${household})`),
    // Everybody's steps are put down; a child's are read by its guardians.
    protect('trail'),
    may('trail', 'insert', `with check (person_id = ${person})`),
    may('trail', 'select', `using (person_id = ${person} or student_id = ${one('writes')})`),
  ];
};

/** Every table that asks its policies. */
export const protectedTables = [
  ...Object.keys({ ...told, ...people, ...written, ...own }),
  ...['calendar_feeds', 'trail'],
];
