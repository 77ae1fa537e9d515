import type { NewsDay, NewsLine, ResultStatus } from '@cadro/contract';
import { dateIn } from '../dates';
import { byCodePoint } from '../gradebook';

/** How a work stood, as the news compares it. */
export interface NewsState {
  readonly status: ResultStatus;
  readonly earned: number | null;
}

interface OfWork {
  readonly studentId: string;
  readonly courseId: string;
  readonly courseTitle: string;
  readonly itemId: string;
  readonly title: string;
  /** An instant: when it came to be known. */
  readonly at: string;
}

/** A result as it came, with what stood before it. */
export interface ResultCame extends OfWork, NewsState {
  readonly possible: number;
  /** Null for the first of its work. */
  readonly before: NewsState | null;
}
/** A work's date as it was told otherwise. */
export interface DateCame extends OfWork {
  readonly was: string | null;
  readonly dueAt: string | null;
}
export interface LessonCame {
  readonly studentId: string;
  readonly at: string;
  /** The child's date. */
  readonly on: string;
  readonly lesson: Extract<NewsLine, { kind: 'attendance' }>['lessons'][number];
}

/** Everything that came within some days, each kind by time. */
export interface Came {
  readonly results: readonly ResultCame[];
  readonly assigned: readonly (OfWork & { readonly dueAt: string | null })[];
  readonly dates: readonly DateCame[];
  readonly withdrawn: readonly OfWork[];
  readonly lessons: readonly LessonCame[];
  /** What stands as it came. */
  readonly others: readonly Extract<NewsLine, { kind: 'remark' | 'stored' | 'announced' }>[];
}

/** What of a day is read first: what has been decided before what is to come. */
const order = [
  ...(['score', 'standing', 'remark', 'stored', 'attendance'] as const),
  ...(['moved', 'withdrawn', 'assigned', 'announced'] as const),
] satisfies NewsLine['kind'][];

/** First and last of each work: what came twice is told once, from where it began to where it stands. */
function spans<T extends OfWork>(rows: readonly T[]): { first: T; last: T }[] {
  const works = new Map<string, { first: T; last: T }>();
  for (const row of rows) {
    const key = `${row.studentId}:${row.itemId}`;
    works.set(key, { first: works.get(key)?.first ?? row, last: row });
  }
  return [...works.values()];
}

const workOf = ({ studentId, courseId, courseTitle, itemId, title, at }: OfWork) => ({
  ...{ studentId, courseId, courseTitle, itemId, title, at },
});

function resultLine({ first: { before }, last }: { first: ResultCame; last: ResultCame }): NewsLine[] {
  const { status, earned, possible } = last;
  if (before && before.status === status && before.earned === earned) return [];
  if (status === 'scored') {
    const was = before?.status === 'scored' ? before.earned : null;
    const stood = before && before.status !== 'scored' && before.status !== 'open' ? before.status : null;
    return [{ kind: 'score', ...workOf(last), earned, was, possible, stood }];
  }
  // What was never more than open, and is open again, is no news.
  if (status === 'open' && (!before || before.status === 'open')) return [];
  return [{ kind: 'standing', ...workOf(last), status }];
}

function attendanceLines(lessons: readonly LessonCame[]): NewsLine[] {
  const days = new Map<string, LessonCame[]>();
  for (const each of lessons) {
    const key = `${each.studentId}:${each.on}`;
    days.set(key, [...(days.get(key) ?? []), each]);
  }
  return [...days.values()].map((came) => {
    const { studentId, on, at } = came.at(-1)!;
    return { kind: 'attendance', studentId, on, at, lessons: came.map(({ lesson }) => lesson) };
  });
}

/** The lines of what came: each thing once. */
function linesOf({ results, assigned, dates, withdrawn, lessons, others }: Came): NewsLine[] {
  const marked = spans(results).flatMap(resultLine);
  const named = (lines: readonly Pick<OfWork, 'studentId' | 'itemId'>[]) => {
    const keys = new Set(lines.map(({ studentId, itemId }) => `${studentId}:${itemId}`));
    return ({ studentId, itemId }: Pick<OfWork, 'studentId' | 'itemId'>) =>
      keys.has(`${studentId}:${itemId}`);
  };
  const gone = named(withdrawn);
  const scored = named(marked.flatMap((line) => (line.kind === 'score' ? [line] : [])));
  const given = named(assigned);
  return [
    ...marked.filter((line) => !('itemId' in line && line.itemId && gone({ ...line, itemId: line.itemId }))),
    ...assigned
      .filter((row) => !gone(row) && !scored(row))
      .map((row): NewsLine => ({ kind: 'assigned', ...workOf(row), dueAt: row.dueAt })),
    ...spans(dates).flatMap(({ first, last }): NewsLine[] =>
      first.was === last.dueAt || gone(last) || given(last) || scored(last)
        ? []
        : [{ kind: 'moved', ...workOf(last), was: first.was, dueAt: last.dueAt }],
    ),
    ...withdrawn.filter((row) => !given(row)).map((row): NewsLine => ({ kind: 'withdrawn', ...workOf(row) })),
    ...attendanceLines(lessons),
    ...others,
  ];
}

const nameIn = (line: NewsLine): string =>
  ('courseTitle' in line ? line.courseTitle : '') + ('title' in line ? (line.title ?? '') : '');

/**
 * What came within some days as lines by day, the latest first. A thing that came more than once stands once, on its
 * last day, from where it began: 21, then 23, then 24 of 30 reads '21 → 24'. A date that was moved of a work that is
 * new itself is that work's date; what was given out and taken back again is nothing.
 * @param zoneOf the time zone of a child; null asks for the zone of what is for all.
 */
export function newsDays(came: Came, zoneOf: (studentId: string | null) => string): NewsDay[] {
  const days = new Map<string, NewsLine[]>();
  for (const line of linesOf(came)) {
    const zone = zoneOf('studentId' in line ? line.studentId : (line.studentIds[0] ?? null));
    const on = dateIn(zone, new Date(line.at));
    days.set(on, [...(days.get(on) ?? []), line]);
  }
  return [...days]
    .sort(([a], [b]) => byCodePoint(b, a))
    .map(([on, lines]) => ({
      on,
      lines: lines.sort(
        (a, b) =>
          order.indexOf(a.kind) - order.indexOf(b.kind) ||
          byCodePoint(b.at, a.at) ||
          byCodePoint(nameIn(a), nameIn(b)),
      ),
    }));
}
