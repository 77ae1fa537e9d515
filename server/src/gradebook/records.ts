import { PolicyRecord, type CourseRecord, type ItemRecord, type ResultRecord } from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import { dateIn, termOn } from '@cadro/core';
import type { Db } from '../db';
import { isOfTerm, termEnd, termsOfCourses, type CourseTerm } from './courseTerms';

export interface CourseRow {
  id: string;
  student_id: string;
  title: string;
  source_name: string;
  policy: unknown;
  standards: { id: string; title: string }[];
  time_zone: string;
}
export interface ItemRow {
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
  undated: boolean;
  due_raw: Date | null;
  removed: boolean;
  known_at: Date | null;
}
export interface ResultRow {
  student_id: string;
  item_id: string;
  course_id: string;
  at: Date;
  status: ResultRecord['status'];
  earned: number | null;
  late: boolean;
  levels: Record<string, number>;
  known_at: Date | null;
}

/** An item's due instant, which an undated one has not, whatever its source had to fill in. */
export const dueSql = 'case when i.undated then null else i.due_at end';

const iso = (date: Date): string => date.toISOString();

export const itemRecord = (row: ItemRow): ItemRecord => ({
  id: row.id,
  categoryId: row.category_id,
  title: row.title,
  possible: row.possible,
  multiplier: row.multiplier,
  counts: row.counts && row.category_counts,
  extraCredit: row.extra_credit,
  assignedAt: iso(row.assigned_at),
  dueAt: row.due_at && iso(row.due_at),
  acceptedUntil: row.accepted_until && iso(row.accepted_until),
});

export const resultRecord = (row: ResultRow): ResultRecord => ({
  itemId: row.item_id,
  at: iso(row.at),
  status: row.status,
  earned: row.earned,
  late: row.late,
  levels: row.levels,
});

interface CategoryRow {
  id: string;
  title: string;
  weight: number;
  drop_lowest: number;
  course_id: string;
}

/** The course's own categories and those its works are in: a source need not say whose a category is. */
function categoriesOf(own: readonly CategoryRow[], items: readonly ItemRow[]) {
  const byId = new Map(
    own.map(({ id, title, weight, drop_lowest }) => [id, { id, title, weight, dropLowest: drop_lowest }]),
  );
  for (const item of items) {
    byId.set(item.category_id, {
      id: item.category_id,
      title: item.category_title,
      weight: item.category_weight,
      dropLowest: item.category_drop_lowest,
    });
  }
  return [...byId.values()].sort((a, b) => b.weight - a.weight || (a.id < b.id ? -1 : 1));
}

function group<T>(rows: readonly T[], keyOf: (row: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const row of rows) {
    const known = groups.get(keyOf(row));
    if (known) known.push(row);
    else groups.set(keyOf(row), [row]);
  }
  return groups;
}

const coursesOfStudents = (db: Db, studentIds: readonly string[], courseId?: string): Promise<CourseRow[]> =>
  db('courses as c')
    .join('enrolments as e', 'e.course_id', 'c.id')
    .join('schools as sch', 'sch.id', 'c.school_id')
    .join('sources as src', 'src.id', 'c.source_id')
    .whereIn('e.student_id', [...studentIds])
    .where({ 'e.active': true })
    .whereNotNull('c.policy')
    .modify((query) => {
      if (courseId) query.where({ 'c.id': courseId });
    })
    .orderBy('c.id')
    .select<CourseRow[]>(
      'c.id',
      'e.student_id',
      'c.title',
      'src.name as source_name',
      'c.policy',
      'c.standards',
      'sch.time_zone',
    );

const categoriesOfCourses = (db: Db, courseIds: readonly string[]): Promise<CategoryRow[]> =>
  db('categories')
    .whereIn('course_id', [...courseIds])
    .select<CategoryRow[]>('id', 'title', 'weight', 'drop_lowest', 'course_id');

const itemsOf = (db: Db, courseIds: readonly string[], removed: boolean): Promise<ItemRow[]> =>
  db('items as i')
    .join('categories as k', 'k.id', 'i.category_id')
    .whereIn('i.course_id', [...courseIds])
    .modify((query) => {
      if (!removed) query.where({ 'i.removed': false });
    })
    .orderBy('i.id')
    .select<ItemRow[]>(
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
      db.raw(`${dueSql} as due_at`),
      'i.accepted_until',
      'i.term_external_id',
      'i.kind',
      'i.undated',
      'i.due_at as due_raw',
      'i.removed',
      'i.known_at',
    );

const resultsOf = (
  db: Db,
  studentIds: readonly string[],
  courseIds: readonly string[],
  removed: boolean,
): Promise<ResultRow[]> =>
  db('results as r')
    .join('items as i', 'i.id', 'r.item_id')
    .whereIn('r.student_id', [...studentIds])
    .modify((query) => {
      if (!removed) query.where({ 'i.removed': false });
    })
    .whereIn('i.course_id', [...courseIds])
    .orderBy([{ column: 'r.at' }, { column: 'r.seq' }])
    .select<ResultRow[]>(
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

/** A course of a child in one of its terms, as the core reads it. */
export interface TermRecord {
  readonly term: CourseTerm;
  /** All terms of the course, by date. */
  readonly terms: readonly CourseTerm[];
  /** Whether it is the one the course stands in. */
  readonly standing: boolean;
  readonly record: CourseRecord;
}

/** A course of one child with everything that belongs to it. */
export interface LoadedCourse {
  readonly course: CourseRow;
  readonly categories: readonly CategoryRow[];
  readonly items: readonly ItemRow[];
  readonly results: readonly ResultRow[];
  /** All terms of the course, by date. */
  readonly terms: readonly CourseTerm[];
}

/** A course in one of its terms: what does not change within it, and the rows of its works and results. */
export function termPart({ course, categories, items, results, terms }: LoadedCourse, term: CourseTerm) {
  const policy = parse('stored policy', PolicyRecord, course.policy);
  const own = items.filter((item) => isOfTerm(item, term, terms, course.time_zone));
  const ids = new Set(own.map(({ id }) => id));
  // A source tells one policy; its end is the end of the term it was told in.
  const endsIn = termOn(terms, dateIn(course.time_zone, new Date(policy.termEnd))) === term;
  return {
    frame: {
      id: course.id,
      policy: endsIn ? policy : { ...policy, termEnd: iso(termEnd(term, course.time_zone)) },
      categories: categoriesOf(categories, own),
      standards: course.standards,
    },
    items: own,
    results: results.filter(({ item_id }) => ids.has(item_id)),
  };
}

/**
 * The courses of several children: five queries, however many children and courses.
 * @param ask.removed also works that the source has taken back.
 */
export async function loadCourses(
  db: Db,
  studentIds: readonly string[],
  ask: { readonly courseId?: string; readonly removed?: true } = {},
): Promise<LoadedCourse[]> {
  const removed = ask.removed ?? false;
  const courses = await coursesOfStudents(db, studentIds, ask.courseId);
  const ids = [...new Set(courses.map(({ id }) => id))];
  const [terms, categories, items, results] = await Promise.all([
    termsOfCourses(db, ids),
    categoriesOfCourses(db, ids),
    itemsOf(db, ids, removed),
    resultsOf(db, studentIds, ids, removed),
  ]);
  const categoriesByCourse = group(categories, ({ course_id }) => course_id);
  const itemsByCourse = group(items, ({ course_id }) => course_id);
  const place = (each: { student_id: string; course_id: string }) => `${each.student_id}:${each.course_id}`;
  const resultsByPlace = group(results, place);
  return courses.map((course) => ({
    course,
    categories: categoriesByCourse.get(course.id) ?? [],
    items: itemsByCourse.get(course.id) ?? [],
    results: resultsByPlace.get(place({ ...course, course_id: course.id })) ?? [],
    terms: terms.get(course.id) ?? [],
  }));
}

/**
 * The records of a child's courses as the core reads them, as of an instant: five queries, however many
 * courses. Courses whose policy the source has not told yet are left out.
 * @param ask.courseId only this course.
 * @param ask.everyTerm one record for each term of a course, by date; by default only the one it stands in.
 */
export async function courseRecords(
  db: Db,
  studentId: string,
  asOf: Date,
  ask: {
    readonly courseId?: string;
    readonly everyTerm?: true;
  } = {},
): Promise<TermRecord[]> {
  const loaded = await loadCourses(db, [studentId], ask.courseId ? { courseId: ask.courseId } : {});
  return loaded.flatMap((course): TermRecord[] => {
    const { terms } = course;
    const standing = termOn(terms, dateIn(course.course.time_zone, asOf));
    return terms
      .filter((term) => ask.everyTerm || term === standing)
      .map((term) => {
        const { frame, items, results } = termPart(course, term);
        return {
          term,
          terms,
          standing: term === standing,
          record: {
            ...frame,
            asOf: iso(asOf),
            items: items.map(itemRecord),
            results: results.map(resultRecord),
          },
        };
      });
  });
}
