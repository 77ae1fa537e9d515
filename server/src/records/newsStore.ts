import type { CommentSubject } from '@cadro/contract';
import type { NewsState } from '@cadro/core';
import type { Db } from '../kit';
import { isOurs } from './ours';

/** Something that came to be known of a work; `data` by its kind. */
export type CameWork = {
  readonly student_id: string;
  readonly course_id: string;
  readonly course_title: string;
  readonly item_id: string;
  readonly title: string;
  readonly at: Date;
} & (
  | {
      readonly kind: 'result';
      readonly data: NewsState & { readonly possible: number; readonly before: NewsState | null };
    }
  | { readonly kind: 'assigned'; readonly data: { readonly due: string | null } }
  | { readonly kind: 'moved'; readonly data: { readonly was: string | null; readonly due: string | null } }
  | { readonly kind: 'withdrawn'; readonly data: null }
);

/*
 * What is known of a record from its own time on, unless it was told later: what a first reading brought came when the
 * school put it down.
 */
const worksThatCame = `
with child as (select unnest(:ids::uuid[]) as student_id),
work as (
  select e.student_id, i.item_id, i.course_id, c.title as course_title, i.title, i.possible, i.due_at, i.assigned_at,
    i.removed
  from child join enrolments e using (student_id) join courses c on c.id = e.course_id
  join course_items i on i.course_id = c.id
  where e.active and ${isOurs('i')} and (i.own_of is null or i.own_of = e.student_id) and i.same_as is null
)
select * from (
  select 'result' as kind, coalesce(r.known_at, r.at) as at, r.seq, w.*,
    jsonb_build_object('status', r.status, 'earned', r.earned, 'possible', w.possible, 'before', (
      select jsonb_build_object('status', p.status, 'earned', p.earned) from results p
      where p.student_id = r.student_id and p.item_id = r.item_id and (p.at, p.seq) < (r.at, r.seq)
      order by p.at desc, p.seq desc limit 1)) as data
  from work w join results r on r.student_id = w.student_id and r.item_id = w.item_id where not w.removed
  union all
  select 'assigned', coalesce(i.known_at, w.assigned_at), 0, w.*, jsonb_build_object('due', w.due_at)
  from work w join items i on i.id = w.item_id where not w.removed and w.assigned_at <= :until
  union all
  select 'moved', l.at, l.id, w.*, jsonb_build_object('was', l.before->'due_at', 'due', l.after->'due_at')
  from work w join change_log l on l.student_id = w.student_id and l.item_id = w.item_id
  where l.kind = 'work' and jsonb_exists(l.before, 'due_at') and not w.removed
  union all
  select 'withdrawn', l.at, l.id, w.*, null
  from work w join change_log l on l.student_id = w.student_id and l.item_id = w.item_id
  where l.kind = 'work' and l.before is not null and l.after->>'removed' = 'true' and w.removed
) came where at > :since and at <= :until
order by at, seq, title`;

/** What came of the children's works after an instant and up to another, by time: one query. */
export async function cameOfWorks(
  db: Db,
  studentIds: readonly string[],
  { since, until }: { readonly since: Date; readonly until: Date },
): Promise<CameWork[]> {
  const { rows } = await db.raw<{ rows: CameWork[] }>(worksThatCame, { ids: [...studentIds], since, until });
  return rows;
}

/** Something that was said within a span; `data` by its kind. */
export type CameWords = {
  readonly at: Date;
  readonly student_id: string;
  readonly course_id: string;
  readonly course_title: string;
} & (
  | {
      readonly kind: 'remark';
      readonly data: {
        readonly item_id: string | null;
        readonly title: string | null;
        readonly subject: CommentSubject;
        readonly author: string;
        readonly text: string;
      };
    }
  | {
      readonly kind: 'stored';
      readonly data: {
        readonly term: string;
        readonly figure: number | null;
        readonly letter: string | null;
      };
    }
  | {
      readonly kind: 'announced';
      readonly data: { readonly student_ids: string[]; readonly title: string; readonly text: string };
    }
);

const wordsThatCame = `
select * from (
  select 'remark' as kind, coalesce(known_at, written_at) as at, student_id, course_id, course_title,
    jsonb_build_object('item_id', item_id, 'title', item_title, 'subject', subject, 'author', author, 'text', text) as data
  from student_comments where student_id = any(:ids::uuid[])
  union all
  select 'stored', coalesce(known_at, reported_at), student_id, course_id, course_title,
    jsonb_build_object('term', coalesce(term_title, part), 'figure', figure, 'letter', letter)
  from student_statements where student_id = any(:ids::uuid[]) and state = 'final'
  union all
  select 'announced', max(known_at), null, null, null,
    jsonb_build_object('student_ids', array_agg(student_id order by student_id), 'title', max(title), 'text', max(text))
  from student_announcements
  where student_id = any(:ids::uuid[]) and not gone group by announcement_id
) came where at > :since and at <= :until
order by at, data->>'title'`;

/** What teachers and schools said of the children after an instant and up to another, by time: one query. */
export async function cameWords(
  db: Db,
  studentIds: readonly string[],
  { since, until }: { readonly since: Date; readonly until: Date },
): Promise<CameWords[]> {
  const { rows } = await db.raw<{ rows: CameWords[] }>(wordsThatCame, { ids: [...studentIds], since, until });
  return rows;
}
