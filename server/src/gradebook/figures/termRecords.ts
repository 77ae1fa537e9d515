import { PolicyRecord, type CourseRecord, type ItemRecord, type ResultRecord } from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import { byCodePoint, dateIn, isDoneInClass, remembered, termOn } from '@cadro/core';
import {
  isOfTerm,
  termEnd,
  type CourseTerm,
  type KeptCategory,
  type KeptItem,
  type KeptResult,
  type LoadedCourse,
} from '../../records';

/** The works of a class have the same few instants: each is written once. */
const written = remembered(50_000, (ms) => new Date(ms).toISOString());
const iso = (date: Date): string => written(date.getTime());

export const itemRecord = (row: KeptItem): ItemRecord => ({
  id: row.id,
  categoryId: row.category_id,
  title: row.title,
  possible: row.possible,
  multiplier: row.multiplier,
  counts: row.counts && row.category_counts,
  extraCredit: row.extra_credit,
  inClass: isDoneInClass(row.kind, row.in_class),
  assignedAt: iso(row.assigned_at),
  dueAt: row.due_at && iso(row.due_at),
  acceptedUntil: row.accepted_until && iso(row.accepted_until),
});

export const resultRecord = (row: KeptResult): ResultRecord => ({
  itemId: row.item_id,
  at: iso(row.at),
  status: row.status,
  earned: row.earned,
  late: row.late,
  levels: row.levels,
});

/** The course's own categories and those its works are in: a source need not say whose a category is. */
function categoriesOf(own: readonly KeptCategory[], items: readonly KeptItem[]) {
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
  return [...byId.values()].sort(
    (a, b) => b.weight - a.weight || byCodePoint(a.title, b.title) || byCodePoint(a.id, b.id),
  );
}

/** A course of a child in one of its terms, as the core reads it. */
export interface TermRecord {
  readonly term: CourseTerm;
  /** All terms of the course, by date. */
  readonly terms: readonly CourseTerm[];
  /** Whether it is the one the course stands in. */
  readonly standing: boolean;
  readonly record: CourseRecord;
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

/** One record for each term of a course, by date, as of an instant; or the one it stands in alone. */
export function termRecordsOf(loaded: LoadedCourse, asOf: Date, everyTerm: boolean): TermRecord[] {
  const { terms, course } = loaded;
  const standing = termOn(terms, dateIn(course.time_zone, asOf));
  return terms
    .filter((term) => everyTerm || term === standing)
    .map((term) => {
      const { frame, items, results } = termPart(loaded, term);
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
}
