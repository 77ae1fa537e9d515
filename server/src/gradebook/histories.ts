import type { PolicyCorrection } from '@cadro/contract';
import {
  corrected,
  type CommentSeen,
  type ConfirmedOffer,
  type CourseHistory,
  type FinalGrade,
  type ItemVersion,
  type Known,
} from '@cadro/core';
import type { Db } from '../db';
import { endOfDay } from './courseTerms';
import { itemRecord, loadCourses, resultRecord, termPart, type ItemRow, type LoadedCourse } from './records';

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
const knownAtMs = (knownAt: Date | null, own: Date): number => (knownAt ?? own).getTime();

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
        results: results.map((row) => ({
          value: resultRecord(row),
          knownAtMs: knownAtMs(row.known_at, row.at),
        })),
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

interface SeenRow {
  readonly student_id: string;
  readonly id: string;
  readonly course_id: string;
  readonly course_title: string;
  readonly item_id: string | null;
  readonly item_title: string | null;
  readonly subject: CommentSeen['subject'];
  readonly text: string;
  readonly author: string;
  readonly written_at: Date;
  readonly known_at: Date | null;
  readonly source_name: string;
  readonly term_external_id: string | null;
  readonly offers: { until: string | null; credit: number | null }[] | null;
  readonly time_zone: string;
  /** Households that have dismissed something in it. */
  readonly dismissed: { household_id: string; place: number }[] | null;
}

/** What teachers wrote about the children since an instant: one query. Offers are those the household left standing. */
export async function commentsSeen(
  db: Db,
  studentIds: readonly string[],
  since: Date,
): Promise<(studentId: string, householdId: string) => Known<CommentSeen>[]> {
  const rows = await db('comments as m')
    .join('teachers as p', 'p.id', 'm.author_id')
    .join('courses as c', 'c.id', 'm.course_id')
    .join('schools as sch', 'sch.id', 'c.school_id')
    .join('sources as src', 'src.id', 'm.source_id')
    .leftJoin('items as i', 'i.id', 'm.item_id')
    .whereIn('m.student_id', [...studentIds])
    .where('m.written_at', '>=', since)
    .orderBy([{ column: 'm.written_at' }, { column: 'm.id' }])
    .select<SeenRow[]>(
      'm.student_id',
      'm.id',
      'm.course_id',
      'c.title as course_title',
      'm.item_id',
      'i.title as item_title',
      'm.subject',
      'm.text',
      'p.name as author',
      'm.written_at',
      'm.known_at',
      'src.name as source_name',
      'm.term_external_id',
      'm.offers',
      'sch.time_zone',
      db.raw(
        `(select jsonb_agg(jsonb_build_object('household_id', a.household_id, 'place', a.place))
          from offer_answers a where a.student_id = m.student_id and a.comment_id = m.id
            and a.answer = 'dismissed') as dismissed`,
      ),
    );
  const seen = (row: SeenRow, householdId: string): Known<CommentSeen> => ({
    knownAtMs: knownAtMs(row.known_at, row.written_at),
    value: {
      id: row.id,
      courseId: row.course_id,
      courseTitle: row.course_title,
      itemId: row.item_id,
      itemTitle: row.item_title,
      subject: row.subject,
      text: row.text,
      author: row.author,
      writtenAt: row.written_at.toISOString(),
      sourceName: row.source_name,
      term: row.term_external_id,
      offers: (row.offers ?? []).flatMap(({ until, credit }, place) => {
        const gone = row.dismissed?.some((each) => each.household_id === householdId && each.place === place);
        return until && !gone ? [{ untilMs: endOfDay(until, row.time_zone).getTime(), credit }] : [];
      }),
    },
  });
  return (studentId, householdId) =>
    rows.filter(({ student_id }) => student_id === studentId).map((row) => seen(row, householdId));
}

/** The figures that schools have stored for good: one query. */
export async function finalGrades(
  db: Db,
  studentIds: readonly string[],
): Promise<(studentId: string) => Known<FinalGrade>[]> {
  const rows = await db('grades as g')
    .join('courses as c', 'c.id', 'g.course_id')
    .join('sources as src', 'src.id', 'g.source_id')
    .leftJoin('terms as t', (on) => on.on('t.source_id', 'g.source_id').andOn('t.external_id', 'g.part'))
    .whereIn('g.student_id', [...studentIds])
    .where({ 'g.state': 'final' })
    .orderBy(['g.reported_at', 'g.course_id', 'g.part'])
    .select<
      {
        student_id: string;
        course_id: string;
        course_title: string;
        part: string;
        term_title: string | null;
        figure: number | null;
        letter: string | null;
        reported_at: Date;
        known_at: Date | null;
        source_name: string;
      }[]
    >(
      'g.student_id',
      'g.course_id',
      'c.title as course_title',
      'g.part',
      't.title as term_title',
      'g.figure',
      'g.letter',
      'g.reported_at',
      'g.known_at',
      'src.name as source_name',
    );
  return (studentId) =>
    rows
      .filter(({ student_id }) => student_id === studentId)
      .map((row) => ({
        knownAtMs: knownAtMs(row.known_at, row.reported_at),
        value: {
          courseId: row.course_id,
          courseTitle: row.course_title,
          term: row.part,
          termTitle: row.term_title ?? '',
          figure: row.figure,
          letter: row.letter,
          reportedAt: row.reported_at.toISOString(),
          sourceName: row.source_name,
        },
      }));
}
