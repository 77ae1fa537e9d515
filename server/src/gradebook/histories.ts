import type { PolicyCorrection, ResultRecord } from '@cadro/contract';
import {
  corrected,
  type ConfirmedOffer,
  type CourseHistory,
  type ItemVersion,
  type Known,
} from '@cadro/core';
import type { Db } from '../db';
import { endOfDay } from './courseTerms';
import {
  itemRecord,
  loadCourses,
  resultRecord,
  termPart,
  type ItemRow,
  type LoadedCourse,
  type ResultRow,
} from './records';

/** What a work was before its source told it differently, as the log of changes keeps it. */
export interface ItemChange {
  readonly studentId: string;
  readonly itemId: string;
  readonly at: Date;
  readonly before: Readonly<Record<string, unknown>>;
}

/** How the works of the children's courses were told before, the latest change first: one query. */
export const itemChanges = (db: Db, studentIds: readonly string[]): Promise<ItemChange[]> =>
  db('change_log')
    .whereIn('student_id', [...studentIds])
    .where({ kind: 'work' })
    .whereNotNull('item_id')
    .whereNotNull('before')
    .orderBy([
      { column: 'at', order: 'desc' },
      { column: 'id', order: 'desc' },
    ])
    .select<ItemChange[]>('student_id as studentId', 'item_id as itemId', 'at', 'before');

const instantColumns = ['assigned_at', 'due_at', 'accepted_until'] as const;

/** A work's row as it was before a change. */
function rowBefore(row: ItemRow, before: ItemChange['before']): ItemRow {
  const instants = Object.fromEntries(
    instantColumns.flatMap((name) => {
      const value = before[name];
      return name in before ? [[name, typeof value === 'string' ? new Date(value) : null]] : [];
    }),
  );
  const was = { ...row, ...before, ...instants };
  const due_raw = 'due_at' in before ? was.due_at : row.due_raw;
  return { ...was, due_raw, due_at: was.undated ? null : due_raw };
}

/** All that a source has told of a work, oldest first. */
function versionsOf(row: ItemRow, changes: readonly ItemChange[]): ItemVersion[] {
  const first = knownAtMs(row.known_at, row.assigned_at);
  let later = row;
  const versions = changes.map(({ at, before }) => {
    const version = { value: itemRecord(later), removed: later.removed, knownAtMs: at.getTime() };
    later = rowBefore(later, before);
    return version;
  });
  return [{ value: itemRecord(later), removed: later.removed, knownAtMs: first }, ...versions.reverse()];
}

/**
 * Results with what a first reading leaves out. A source tells of a past mark, and not of the days between: work that
 * was marked after it was due, and neither late nor flagged, counts as handed in when it was due. Otherwise all of a
 * term's work would seem to have been overdue until it was marked.
 */
function resultsOf(items: readonly ItemRow[], results: readonly ResultRow[]): Known<ResultRecord>[] {
  const dueAt = new Map(items.map(({ id, due_at }) => [id, due_at]));
  const seen = new Set<string>();
  return results.flatMap((row): Known<ResultRecord>[] => {
    const due = dueAt.get(row.item_id);
    const first = !seen.has(row.item_id);
    seen.add(row.item_id);
    const told = { value: resultRecord(row), knownAtMs: knownAtMs(row.known_at, row.at) };
    const between =
      first && row.known_at === null && row.status === 'scored' && !row.late && due && due < row.at;
    if (!between) return [told];
    const handedIn: ResultRecord = { itemId: row.item_id, at: due.toISOString(), status: 'handed-in' };
    return [{ value: handedIn, knownAtMs: due.getTime() }, told];
  });
}

/** What households have made of some children's courses. */
export interface HouseholdViews {
  readonly corrections: readonly {
    readonly householdId: string;
    readonly studentId: string;
    readonly courseId: string;
    readonly correction: PolicyCorrection;
  }[];
  readonly offers: readonly {
    readonly householdId: string;
    readonly studentId: string;
    readonly courseId: string;
    readonly offer: Known<ConfirmedOffer>;
  }[];
}

/** What is known of a record from its own time on, unless it was told later. */
export const knownAtMs = (knownAt: Date | null, own: Date): number => (knownAt ?? own).getTime();

/**
 * A course's history as a household reads it: with its correction of the policy and the offers it confirmed.
 * @param changesOf the changes of each work, the latest first.
 */
export function historyOfCourse(
  loaded: LoadedCourse,
  views: HouseholdViews,
  householdId: string,
  changesOf: ReadonlyMap<string, readonly ItemChange[]>,
): CourseHistory {
  const { course, terms } = loaded;
  const own = <T extends { householdId: string; studentId: string; courseId: string }>(all: readonly T[]) =>
    all.filter(
      (each) =>
        each.householdId === householdId &&
        each.studentId === course.student_id &&
        each.courseId === course.id,
    );
  const correction = own(views.corrections)[0]?.correction ?? null;
  const kinds = loaded.items.flatMap(({ id, kind }): [string, string][] => (kind ? [[id, kind]] : []));
  return {
    id: course.id,
    title: course.title,
    sourceName: course.source_name,
    itemKinds: Object.fromEntries(kinds),
    offers: own(views.offers).map(({ offer }) => offer),
    terms: terms.map((term) => {
      const { frame, items, results } = termPart(loaded, term);
      // A correction changes the policy and the categories' weights, whatever the instant.
      const { id, policy, categories, standards } = corrected(
        { ...frame, asOf: frame.policy.termEnd },
        correction,
      );
      return {
        startsOn: term.startsOn,
        endsOn: term.endsOn,
        record: { id, policy, categories: categories ?? [], standards: standards ?? [] },
        items: items
          .flatMap((row) => versionsOf(row, changesOf.get(row.id) ?? []))
          .sort((a, b) => a.knownAtMs - b.knownAtMs),
        results: resultsOf(items, results),
      };
    }),
  };
}

export { loadCourses, type LoadedCourse };

/** The corrections and confirmed offers of every household with the children: two queries. */
export async function householdViews(db: Db, studentIds: readonly string[]): Promise<HouseholdViews> {
  const ids = [...studentIds];
  const [corrections, offers] = await Promise.all([
    db('policy_corrections')
      .whereIn('student_id', ids)
      .distinctOn('student_id', 'course_id', 'household_id')
      .orderBy(['student_id', 'course_id', 'household_id', { column: 'id', order: 'desc' }])
      .select<
        (Omit<HouseholdViews['corrections'][number], 'correction'> & {
          correction: PolicyCorrection | null;
        })[]
      >('household_id as householdId', 'student_id as studentId', 'course_id as courseId', 'correction'),
    db('offer_answers as a')
      .join('comments as m', 'm.id', 'a.comment_id')
      .join('courses as c', 'c.id', 'm.course_id')
      .join('schools as sch', 'sch.id', 'c.school_id')
      .whereIn('a.student_id', ids)
      .where({ 'a.answer': 'confirmed' })
      .whereNotNull('m.item_id')
      .select<
        {
          household_id: string;
          student_id: string;
          course_id: string;
          item_id: string;
          offer: { until: string | null; credit: number | null };
          time_zone: string;
          at: Date;
        }[]
      >('a.household_id', 'a.student_id', 'm.course_id', 'm.item_id', 'a.offer', 'sch.time_zone', 'a.at'),
  ]);
  return {
    corrections: corrections.flatMap(({ correction, ...of }) => (correction ? [{ ...of, correction }] : [])),
    offers: offers.map((row) => ({
      householdId: row.household_id,
      studentId: row.student_id,
      courseId: row.course_id,
      offer: {
        knownAtMs: row.at.getTime(),
        value: {
          itemId: row.item_id,
          until: row.offer.until && endOfDay(row.offer.until, row.time_zone).toISOString(),
          credit: row.offer.credit,
        },
      },
    })),
  };
}
