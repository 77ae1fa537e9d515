import type { CourseAnswer, CourseFigures, CourseGrade, CourseRecord, ResultRecord } from '@cadro/contract';
import {
  attendanceSummary,
  readRegister,
  registerRecord,
  schoolDaysOf,
  type AttendanceSummary,
  type ReadMark,
  type SchoolDay,
} from '../attendance';
import { dateIn, dayMs } from '../dates';
import { courseGrade, householdRecord, normaliseCourse, termOn, type Item, type Policy } from '../gradebook';
import { courseAnswer, ridesOn, type Rides } from '../outlook';
import type {
  AnnouncementSeen,
  BalanceSeen,
  ChildHistory,
  ClassroomSeen,
  CommentSeen,
  CourseHistory,
  GradeSeen,
  Known,
  TermHistory,
} from './history';

/** What has happened is news for this long. */
const usualNewsMs = 3 * dayMs;
/** No rule looks further back at what moved a figure. */
export const movedDays = 60;

/** What the rules ask of a course's figures. */
export type SightFigures = CourseFigures & Pick<CourseAnswer, 'moved'>;
/** Figures that have been computed for the instant already, by course. */
export type FiguresAt = (courseId: string) => SightFigures | undefined;

/** The term before, as it was known at an instant. */
interface EndedSight {
  readonly answer: CourseFigures;
  readonly items: ReadonlyMap<string, Item>;
  readonly results: ReadonlyMap<string, readonly Known<ResultRecord>[]>;
}

/** A course as it was known at an instant. */
export interface CourseSight {
  readonly id: string;
  readonly title: string;
  readonly sourceName: string;
  /** The last whole reading of its source; null where the family writes the record itself. */
  readonly readAt: string | null;
  readonly policy: Policy;
  readonly answer: SightFigures;
  /** The grade of its term as it is told: the school's own where it states one. */
  readonly grade: CourseGrade;
  /** What we count for one of its terms, by the source's name of it; null of a term that it does not have. */
  readonly countIn: (part: string) => Pick<CourseFigures, 'posted' | 'display' | 'letter'> | null;
  /** How the term before ended, with its works; null in the first, worked out when it is first asked. */
  readonly ended: () => EndedSight | null;
  readonly items: ReadonlyMap<string, Item>;
  readonly itemKinds: Readonly<Record<string, string>>;
  /** Every known result of a work, by time, with when it was known. */
  readonly results: ReadonlyMap<string, readonly Known<ResultRecord>[]>;
  /** What the classroom system has seen of each work, by the instant that is looked at. */
  readonly classroom: ReadonlyMap<string, ClassroomSeen>;
  /** What rides on each work, in points of the scale; worked out when it is first asked. */
  readonly rides: () => ReadonlyMap<string, Rides>;
}

/** What was known of one child at an instant: all that the rules may ask. */
export interface ChildFacts {
  readonly studentId: string;
  readonly asOfMs: number;
  /** What has happened is news for this long. */
  readonly newsMs: number;
  readonly timeZone: string;
  /** The child's own date. */
  readonly today: string;
  readonly courses: readonly CourseSight[];
  readonly comments: readonly Known<CommentSeen>[];
  readonly grades: readonly Known<GradeSeen>[];
  readonly announcements: readonly Known<AnnouncementSeen>[];
  readonly balances: readonly Known<BalanceSeen>[];
  readonly days: readonly SchoolDay[];
  readonly summary: AttendanceSummary;
  readonly marks: readonly ReadMark<ChildHistory['marks'][number]['value']>[];
  readonly attendanceSource: string;
}

function once<T>(work: () => T): () => T {
  let kept: { readonly value: T } | null = null;
  return () => (kept ??= { value: work() }).value;
}

const knownBy =
  (asOfMs: number) =>
  ({ knownAtMs }: Known<unknown>): boolean =>
    knownAtMs <= asOfMs;

/** Each work as its last known version has it, in the order in which they came. */
function itemsAt(versions: TermHistory['items'], asOfMs: number) {
  const last = new Map(
    versions.filter(knownBy(asOfMs)).map((version) => [version.value.id, version] as const),
  );
  return [...last.values()].flatMap(({ value, removed }) => (removed ? [] : [value]));
}

function recordAt({ record, items, results }: TermHistory, course: CourseHistory, asOfMs: number) {
  const known = knownBy(asOfMs);
  const seen = results.filter((each) => known(each) && Date.parse(each.value.at) <= asOfMs);
  const bare: CourseRecord = {
    ...record,
    asOf: new Date(asOfMs).toISOString(),
    items: itemsAt(items, asOfMs),
    results: seen.map(({ value }) => value),
  };
  return {
    seen,
    record: householdRecord(bare, {
      correction: course.correction,
      offers: course.offers.filter(known).map(({ value }) => value),
    }),
  };
}

/** What a course came to in another of its terms, as far as it was known. */
function countOf(course: CourseHistory, part: string, asOfMs: number) {
  const other = course.terms.find((each) => each.part === part);
  return other ? courseAnswer(recordAt(other, course, asOfMs).record) : null;
}

function byItem(
  results: readonly Known<ResultRecord>[],
): ReadonlyMap<string, readonly Known<ResultRecord>[]> {
  const found = new Map<string, Known<ResultRecord>[]>();
  for (const result of results) {
    found.set(result.value.itemId, [...(found.get(result.value.itemId) ?? []), result]);
  }
  return found;
}

const byId = (items: readonly Item[]): ReadonlyMap<string, Item> =>
  new Map(items.map((item) => [item.id, item]));

/** How the term before the one it stands in ended. */
function endedOf(course: CourseHistory, standing: TermHistory, asOfMs: number): EndedSight | null {
  const earlier = course.terms.filter(({ endsOn }) => endsOn < standing.startsOn);
  const last = termOn(earlier, standing.startsOn);
  if (!last) return null;
  const { record, seen } = recordAt(last, course, asOfMs);
  return {
    answer: courseAnswer(record),
    items: byId(normaliseCourse(record).items),
    results: byItem(seen),
  };
}

interface Seen {
  readonly today: string;
  readonly asOfMs: number;
  readonly figuresAt: FiguresAt;
  readonly grades: readonly Known<GradeSeen>[];
}

function sightOf(course: CourseHistory, { today, asOfMs, figuresAt, grades }: Seen): CourseSight[] {
  const term = termOn(course.terms, today);
  if (!term) return [];
  const stated = grades.flatMap(({ value }) =>
    value.courseId === course.id && value.term === term.part ? [value] : [],
  );
  const { record, seen } = recordAt(term, course, asOfMs);
  const { policy, items } = normaliseCourse(record);
  const answer =
    figuresAt(course.id) ??
    courseAnswer(record, { since: new Date(asOfMs - movedDays * dayMs).toISOString() });
  return [
    {
      id: course.id,
      title: course.title,
      sourceName: course.sourceName,
      readAt: course.readAt,
      policy,
      answer,
      grade: courseGrade(policy, answer, stated),
      countIn: (part) => (part === term.part ? answer : countOf(course, part, asOfMs)),
      ended: once(() => endedOf(course, term, asOfMs)),
      items: byId(items),
      itemKinds: course.itemKinds,
      classroom: new Map(course.classroom.filter(knownBy(asOfMs)).map(({ value }) => [value.itemId, value])),
      results: byItem(seen),
      rides: once(() => ridesOn(record)),
    },
  ];
}

/**
 * What was known of a child at an instant, and nothing that came to light afterwards. A course's policy, its
 * categories and what codes of attendance mean are as they are now.
 * @param figuresAt the figures of that instant, where they have been computed already.
 */
export function factsAt(
  history: ChildHistory,
  asOfMs: number,
  { newsMs = usualNewsMs, figuresAt = () => undefined }: { newsMs?: number; figuresAt?: FiguresAt } = {},
): ChildFacts {
  const today = dateIn(history.timeZone, new Date(asOfMs));
  const known = knownBy(asOfMs);
  const marks = history.marks.flatMap((mark) => (known(mark) && mark.value.on <= today ? [mark.value] : []));
  const grades = history.grades.filter(known);
  const standing = readRegister(marks, history.meanings);
  const register = registerRecord(standing, today);
  return {
    studentId: history.studentId,
    asOfMs,
    newsMs,
    timeZone: history.timeZone,
    today,
    courses: history.courses.flatMap((course) => sightOf(course, { today, asOfMs, figuresAt, grades })),
    comments: history.comments.filter(known),
    grades,
    announcements: history.announcements.filter(known),
    balances: history.balances.filter(known),
    days: schoolDaysOf(register),
    summary: attendanceSummary(register),
    marks: standing,
    attendanceSource: history.attendanceSource,
  };
}
