import { PolicyRecord, type CourseRecord, type ItemRecord, type ResultRecord } from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import type { Db } from '../db';

interface CourseRow {
  id: string;
  policy: unknown;
  standards: { id: string; title: string }[];
}
interface ItemRow {
  id: string;
  course_id: string;
  category_id: string;
  category_title: string;
  category_weight: number;
  category_counts: boolean;
  title: string;
  possible: number;
  multiplier: number;
  counts: boolean;
  extra_credit: boolean;
  assigned_at: Date;
  due_at: Date | null;
  accepted_until: Date | null;
}
interface ResultRow {
  item_id: string;
  course_id: string;
  at: Date;
  status: ResultRecord['status'];
  earned: number | null;
  late: boolean;
  levels: Record<string, number>;
}

/** An item's due instant, which an undated one has not, whatever its source had to fill in. */
export const dueSql = 'case when i.undated then null else i.due_at end';

const iso = (date: Date): string => date.toISOString();

const itemRecord = (row: ItemRow): ItemRecord => ({
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

const resultRecord = (row: ResultRow): ResultRecord => ({
  itemId: row.item_id,
  at: iso(row.at),
  status: row.status,
  earned: row.earned,
  late: row.late,
  levels: row.levels,
});

function categoriesOf(items: readonly ItemRow[]) {
  const byId = new Map(
    items.map((item) => [
      item.category_id,
      { id: item.category_id, title: item.category_title, weight: item.category_weight },
    ]),
  );
  return [...byId.values()].sort((a, b) => b.weight - a.weight || (a.id < b.id ? -1 : 1));
}

function group<T extends { course_id: string }>(rows: readonly T[]): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const row of rows) {
    const known = groups.get(row.course_id);
    if (known) known.push(row);
    else groups.set(row.course_id, [row]);
  }
  return groups;
}

/**
 * The records of a child's courses as the core reads them, as of an instant: three queries, however many
 * courses. Courses whose policy the source has not told yet are left out.
 */
export async function courseRecords(db: Db, studentId: string, asOf: Date): Promise<CourseRecord[]> {
  const courses = await db('courses as c')
    .join('enrolments as e', 'e.course_id', 'c.id')
    .where({ 'e.student_id': studentId, 'e.active': true })
    .whereNotNull('c.policy')
    .select<CourseRow[]>('c.id', 'c.policy', 'c.standards');
  const ids = courses.map(({ id }) => id);
  const items = await db('items as i')
    .join('categories as k', 'k.id', 'i.category_id')
    .whereIn('i.course_id', ids)
    .where({ 'i.removed': false })
    .orderBy('i.id')
    .select<ItemRow[]>(
      'i.id',
      'i.course_id',
      'i.category_id',
      'k.title as category_title',
      'k.weight as category_weight',
      'k.counts as category_counts',
      'i.title',
      'i.possible',
      'i.multiplier',
      'i.counts',
      'i.extra_credit',
      'i.assigned_at',
      db.raw(`${dueSql} as due_at`),
      'i.accepted_until',
    );
  const results = await db('results as r')
    .join('items as i', 'i.id', 'r.item_id')
    .where({ 'r.student_id': studentId, 'i.removed': false })
    .whereIn('i.course_id', ids)
    .orderBy([{ column: 'r.at' }, { column: 'r.seq' }])
    .select<ResultRow[]>('r.item_id', 'i.course_id', 'r.at', 'r.status', 'r.earned', 'r.late', 'r.levels');
  const itemsByCourse = group(items);
  const resultsByCourse = group(results);
  return courses.map((course) => {
    const own = itemsByCourse.get(course.id) ?? [];
    return {
      id: course.id,
      asOf: iso(asOf),
      policy: parse('stored policy', PolicyRecord, course.policy),
      categories: categoriesOf(own),
      standards: course.standards,
      items: own.map(itemRecord),
      results: (resultsByCourse.get(course.id) ?? []).map(resultRecord),
    };
  });
}
