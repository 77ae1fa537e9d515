import type { CourseFigures, ResultStatus } from '@cadro/contract';
import type { StatedGrade } from '@cadro/core';
import type { Db } from '../kit';
import { ofThisYear } from '../records';
import type { EndedFigures, TermDates } from './figures/figureStore';

/** What the school has stated of one term of a course. */
export interface StatedRow extends StatedGrade {
  readonly part: string;
}

export interface CourseCard {
  readonly id: string;
  readonly student_id: string;
  readonly title: string;
  readonly room: string | null;
  readonly period: string | null;
  readonly policy: unknown;
  readonly standards: { id: string; title: string; levels?: { level: number; text: string }[] }[];
  readonly time_zone: string;
  readonly teacher_id: string | null;
  readonly teacher_name: string | null;
  readonly teacher_email: string | null;
  readonly figures: CourseFigures | null;
  /** The term they are of, and how the one before ended; null until they are computed. */
  readonly standing: TermDates | null;
  readonly ended: EndedFigures | null;
  /** What the school has stated of the course in any of its terms. */
  readonly stated: readonly StatedRow[] | null;
  /** What the guardian's household assumes of the policy. */
  readonly correction: unknown;
  readonly source_name: string;
  readonly by_hand: boolean;
  readonly source_url: string;
  readonly read_at: Date | null;
  readonly failing_since: Date | null;
  readonly item_count: number;
  readonly next_title: string | null;
  readonly next_due: Date | null;
  /** The household's target, on the course's scale. */
  readonly target: number | null;
}

/** What the guardian's household has said of the policy last. */
const lastCorrection = `
  left join lateral (
    select s.correction from policy_corrections s
    where s.student_id = c.student_id and s.course_id = c.course_id and s.household_id = me.household_id
    order by s.id desc limit 1) said on true`;

/** How many items a course has, and which of them is due next. */
const itemsAhead = `
  left join lateral (
    select count(*)::int as item_count,
      (array_agg(i.title order by i.due_at) filter (where i.due_at >= :now and i.assigned_at <= :now))[1] as next_title,
      min(i.due_at) filter (where i.due_at >= :now and i.assigned_at <= :now) as next_due
    from course_items i where i.course_id = c.course_id and not i.removed) n on true`;

/** All that the school has stated of a course, of whichever of its terms. */
const statedGrades = `
  left join lateral (
    select jsonb_agg(jsonb_build_object('part', g.part, 'final', g.state = 'final', 'figure', g.figure,
      'fraction', g.fraction, 'letter', g.letter, 'at', g.reported_at) order by g.reported_at, g.figure) as stated
    from student_grades g where g.student_id = c.student_id and g.course_id = c.course_id) told on true`;

/** Whether it is the child itself that looks: then its own aims stand there. */
const isTheChild = `(exists (select from standing_links l
  where l.guardian_id = me.guardian_id and l.student_id = c.student_id and l.role = 'student'))`;

const cardColumns = [
  'c.course_id as id',
  'c.student_id',
  'c.title',
  'c.room',
  'c.period',
  'c.policy',
  'c.standards',
  'c.time_zone',
  'c.teacher_id',
  'c.teacher_name',
  'c.teacher_email',
  'said.correction',
  'told.stated',
  'goal.target',
  'src.name as source_name',
  'src.by_hand',
  'src.base_url as source_url',
  'src.read_at',
  'src.failing_since',
  'n.item_count',
  'n.next_title',
  'n.next_due',
] as const;

/**
 * The courses of the given children with their current figures: one query, however many children.
 * @param ask.guardianId whose household's corrections of a policy are followed.
 */
export function coursesOf(
  db: Db,
  ask: {
    readonly studentIds: readonly string[];
    readonly guardianId: string;
    readonly now: Date;
    readonly courseId?: string;
  },
): Promise<CourseCard[]> {
  const { now } = ask;
  const query = db('student_courses as c')
    .join('source_states as src', 'src.source_id', 'c.source_id')
    .joinRaw('join guardian_profiles me on me.guardian_id = ?', [ask.guardianId])
    .leftJoin('current_figures as f', (on) =>
      on.on('f.student_id', 'c.student_id').andOn('f.course_id', 'c.course_id'),
    )
    .leftJoin('assumed_figures as own', (on) =>
      on
        .on('own.student_id', 'c.student_id')
        .andOn('own.course_id', 'c.course_id')
        .andOn('own.household_id', 'me.household_id'),
    )
    .leftJoin('targets as goal', (on) =>
      on
        .on('goal.student_id', 'c.student_id')
        .andOn('goal.course_id', 'c.course_id')
        .andOn('goal.household_id', 'me.household_id')
        .andOn('goal.by_child', db.raw(isTheChild)),
    )
    .joinRaw(lastCorrection)
    .joinRaw(itemsAhead, { now })
    .joinRaw(statedGrades)
    .whereIn('c.student_id', [...ask.studentIds])
    .whereNotNull('c.policy')
    .orderBy([{ column: 'c.period' }, { column: 'c.title' }])
    .select<CourseCard[]>(
      ...cardColumns,
      db.raw('coalesce(own.figures, f.figures) as figures'),
      db.raw('coalesce(own.standing, f.standing) as standing'),
      db.raw('case when own.figures is null then f.ended else own.ended end as ended'),
    );
  return ask.courseId
    ? query.where({ 'c.course_id': ask.courseId })
    : query.whereRaw(ofThisYear('c'), { now });
}

export interface ItemCard {
  readonly id: string;
  readonly course_id: string;
  readonly title: string;
  readonly description: string | null;
  readonly category_id: string;
  readonly category_title: string;
  readonly possible: number;
  readonly multiplier: number;
  readonly counts: boolean;
  readonly extra_credit: boolean;
  readonly assigned_at: Date;
  readonly assigned_told: boolean;
  readonly due_at: Date | null;
  readonly accepted_until: Date | null;
  readonly kind: string | null;
  readonly instructions: string | null;
  readonly place: string | null;
  readonly supplies: string[];
  readonly redo: 'yes' | 'no' | 'ask' | null;
  readonly unit: string | null;
  readonly term_external_id: string | null;
  readonly files: { title: string; href: string }[];
  readonly rubric: { id: string; title: string; levels: { level: number; text: string }[] }[];
  readonly status: ResultStatus | null;
  readonly at: Date | null;
  readonly earned: number | null;
  readonly late: boolean | null;
  readonly levels: Record<string, number> | null;
  readonly in_class: boolean | null;
  readonly other_status: ResultStatus | null;
  readonly other_earned: number | null;
  readonly other_at: Date | null;
  readonly comment_count: number;
  readonly remarked: boolean;
  /** The household's own work that it is, or whose word holds of it. */
  readonly own_id: string | null;
}

const items = (db: Db, studentId: string) =>
  db('student_items as i')
    .joinRaw(
      `left join lateral (
         select count(*)::int as comment_count from student_comments m
         where m.student_id = i.student_id and m.item_id = i.item_id) m on true
       left join lateral (
         select h.status, h.at, h.earned from classroom_says h
         where h.student_id = i.student_id and h.item_id = i.item_id order by h.at desc limit 1) h on true`,
    )
    .where({ 'i.student_id': studentId })
    .select<ItemCard[]>(
      'i.item_id as id',
      'i.course_id',
      'i.title',
      'i.description',
      'i.category_id',
      'i.category_title',
      'i.possible',
      'i.multiplier',
      'i.counts',
      'i.extra_credit',
      'i.assigned_at',
      'i.assigned_told',
      'i.due_at',
      'i.accepted_until',
      'i.kind',
      'i.instructions',
      'i.place',
      'i.supplies',
      'i.redo',
      'i.unit',
      'i.term_external_id',
      'i.files',
      'i.rubric',
      'i.status',
      'i.at',
      'i.earned',
      'i.late',
      'i.levels',
      'i.in_class',
      'i.own_id',
      'h.status as other_status',
      'h.earned as other_earned',
      'h.at as other_at',
      'm.comment_count',
      db.raw(
        'exists (select from remarked_works w where w.student_id = i.student_id and w.item_id = i.item_id) as remarked',
      ),
    );

/** Work of a course as it stands for one child: what is assigned by now, newest due first, undated last. */
export const itemsOfCourse = (db: Db, studentId: string, courseId: string, now: Date): Promise<ItemCard[]> =>
  items(db, studentId)
    .where({ 'i.course_id': courseId })
    .where((is) => is.where('i.assigned_at', '<=', now).orWhereNotNull('i.at'))
    .orderByRaw('i.due_at desc nulls last, i.title');

/** Looks only in courses the child is enrolled in. */
export const itemOf = (db: Db, studentId: string, itemId: string): Promise<ItemCard | undefined> =>
  items(db, studentId)
    .where({ 'i.item_id': itemId })
    .then((rows: ItemCard[]) => rows[0]);
