import type { ResultStatus } from '@cadro/contract';
import { groupBy, together, type Db } from '../kit';
import type { CourseTerm } from './courseTerms';
import { studentsIn, type PartOfRecord } from './parts';
import { coursesMeant, isMeant } from './partStore';
import { termsOfCourses } from './termStore';

export interface KeptCourse {
  id: string;
  student_id: string;
  title: string;
  source_id: string;
  policy: unknown;
  standards: { id: string; title: string }[];
  time_zone: string;
  /** Whose own course it is; null for a school's. */
  household_id: string | null;
}
export interface KeptItem {
  id: string;
  course_id: string;
  category_id: string;
  category_title: string;
  category_weight: number;
  category_counts: boolean;
  category_drop_lowest: number;
  title: string;
  possible: number;
  multiplier: number;
  counts: boolean;
  extra_credit: boolean;
  assigned_at: Date;
  due_at: Date | null;
  accepted_until: Date | null;
  term_external_id: string | null;
  kind: string | null;
  in_class: boolean | null;
  undated: boolean;
  due_raw: Date | null;
  removed: boolean;
  known_at: Date | null;
  /** Whose own work it is, and of which child; null for a school's. */
  household_id: string | null;
  own_of: string | null;
  /** The school's work it is one with, and whether what it says holds of that. */
  same_as: string | null;
  stands: boolean;
}
export interface KeptResult {
  student_id: string;
  item_id: string;
  course_id: string;
  at: Date;
  status: ResultStatus;
  earned: number | null;
  late: boolean;
  levels: Record<string, number>;
  known_at: Date | null;
}

export interface KeptCategory {
  id: string;
  title: string;
  weight: number;
  drop_lowest: number;
  course_id: string;
}

const coursesIn = (db: Db, parts: readonly PartOfRecord[]): Promise<KeptCourse[]> => {
  const { sql, bindings } = coursesMeant(parts);
  return db('courses as c')
    .join('enrolments as e', 'e.course_id', 'c.id')
    .join('schools as sch', 'sch.id', 'c.school_id')
    .joinRaw(`join ${sql} on ${isMeant('e')}`, bindings)
    .where({ 'e.active': true })
    .whereNotNull('c.policy')
    .orderByRaw('c.title collate "C", c.id')
    .select<KeptCourse[]>(
      'c.id',
      'e.student_id',
      'c.title',
      'c.source_id',
      'c.policy',
      'c.standards',
      'sch.time_zone',
      'c.household_id',
    );
};

const categoriesOfCourses = (db: Db, courseIds: readonly string[]): Promise<KeptCategory[]> =>
  db('categories')
    .whereIn('course_id', [...courseIds])
    .where({ gone: false })
    .select<KeptCategory[]>('id', 'title', 'weight', 'drop_lowest', 'course_id');

const itemsOf = (db: Db, courseIds: readonly string[], removed: boolean): Promise<KeptItem[]> =>
  db('items as i')
    .join('categories as k', 'k.id', 'i.category_id')
    .whereIn('i.course_id', [...courseIds])
    .modify((query) => {
      if (!removed) query.where({ 'i.removed': false });
    })
    .orderByRaw('i.due_at, i.title collate "C", i.id')
    .select<KeptItem[]>(
      'i.id',
      'i.course_id',
      'i.category_id',
      'k.title as category_title',
      'k.weight as category_weight',
      'k.counts as category_counts',
      'k.drop_lowest as category_drop_lowest',
      'i.title',
      'i.possible',
      'i.multiplier',
      'i.counts',
      'i.extra_credit',
      'i.assigned_at',
      db.raw(`case when i.undated then null else i.due_at end as due_at`),
      'i.accepted_until',
      'i.term_external_id',
      'i.kind',
      'i.in_class',
      'i.undated',
      'i.due_at as due_raw',
      'i.removed',
      'i.known_at',
      'i.household_id',
      'i.student_id as own_of',
      'i.same_as',
      'i.stands',
    );

const resultsOf = (
  db: Db,
  studentIds: readonly string[],
  courseIds: readonly string[],
  removed: boolean,
): Promise<KeptResult[]> =>
  db('results as r')
    .join('items as i', 'i.id', 'r.item_id')
    .whereIn('r.student_id', [...studentIds])
    .modify((query) => {
      if (!removed) query.where({ 'i.removed': false });
    })
    .whereIn('i.course_id', [...courseIds])
    // Those of one instant in the order of their works, not in that in which they happened to be read.
    .orderByRaw('r.at, i.due_at, i.title collate "C", i.id, r.seq')
    .select<KeptResult[]>(
      'r.student_id',
      'r.item_id',
      'i.course_id',
      'r.at',
      'r.status',
      'r.earned',
      'r.late',
      'r.levels',
      'r.known_at',
    );

/** Whether a course's source tells how it is graded; else it is assumed. */
export async function isPolicyTold(db: Db, courseId: string): Promise<boolean> {
  const row = await db('courses').where({ id: courseId }).first<{ policy_told: boolean }>('policy_told');
  return row?.policy_told ?? false;
}

/** A course of one child with everything that belongs to it. */
export interface LoadedCourse {
  readonly course: KeptCourse;
  readonly categories: readonly KeptCategory[];
  readonly items: readonly KeptItem[];
  readonly results: readonly KeptResult[];
  /** All terms of the course, by date. */
  readonly terms: readonly CourseTerm[];
}

/**
 * The courses that are meant of several children, with what every household that may be read has written beside them:
 * five queries, however many children and courses. Courses come by title, works by the day they are due: where a page gives no order
 * of its own, this one shows, the same each time.
 * @param ask.removed also works that the source has taken back.
 */
export async function loadCourses(
  db: Db,
  parts: readonly PartOfRecord[],
  ask: { readonly removed?: true } = {},
): Promise<LoadedCourse[]> {
  const removed = ask.removed ?? false;
  const courses = await coursesIn(db, parts);
  const ids = [...new Set(courses.map(({ id }) => id))];
  const [terms, categories, items, results] = await together(db, [
    () => termsOfCourses(db, ids),
    () => categoriesOfCourses(db, ids),
    () => itemsOf(db, ids, removed),
    () => resultsOf(db, studentsIn(parts), ids, removed),
  ]);
  const categoriesByCourse = groupBy(categories, ({ course_id }) => course_id);
  const itemsByCourse = groupBy(items, ({ course_id }) => course_id);
  const place = (each: { student_id: string; course_id: string }) => `${each.student_id}:${each.course_id}`;
  const resultsByPlace = groupBy(results, place);
  return courses.map((course) => ({
    course,
    categories: categoriesByCourse.get(course.id) ?? [],
    items: (itemsByCourse.get(course.id) ?? []).filter(
      ({ own_of }) => own_of === null || own_of === course.student_id,
    ),
    results: resultsByPlace.get(place({ ...course, course_id: course.id })) ?? [],
    terms: terms.get(course.id) ?? [],
  }));
}
