import type { AttendanceRecord, MarkKind } from '@cadro/contract';
import { datesOf, isWeekend, type DateRange } from '../dates';
import { byCodePoint } from '../gradebook';

/** What a mark or a code says of a child. */
export interface Meaning {
  readonly kind: MarkKind;
  readonly excused: boolean;
  readonly label: string | null;
}

/** One mark as a source or a household gives it. */
export interface GivenMark {
  readonly on: string;
  readonly period: string;
  readonly courseId: string | null;
  readonly code: string;
  /** What it brings along itself; null where its code is to be looked up. */
  readonly means: Meaning | null;
  /** Of two marks for one lesson the later one stands; null counts as the earliest. */
  readonly markedAt: string | null;
  readonly by: 'school' | 'household';
}

/** Whose word a meaning is: the school's own map's, the household's that found it out, or the mark's own out of a file. */
export type MeaningSource = 'map' | 'found' | 'file';

/** What a code means, from a day on; null for one that has always meant it. */
export interface CodeMeaningFrom extends Meaning {
  readonly code: string;
  readonly from: string | null;
  readonly said: MeaningSource;
}

export interface ReadMark<M extends GivenMark = GivenMark> {
  readonly mark: M;
  /** Null for a code nobody has explained for that day. */
  readonly meaning: (Meaning & { readonly said: MeaningSource }) | null;
  /** Other marks for the same lesson that this one stands for, latest first. */
  readonly instead: readonly M[];
}

/**
 * What a code means on a day: its latest meaning that has begun by then.
 * @param heard who is asked, one after the other; the first who knows the code answers.
 */
export function meaningOn(
  meanings: readonly CodeMeaningFrom[],
  code: string,
  on: string,
  heard: readonly MeaningSource[],
): CodeMeaningFrom | null {
  const begun = meanings
    .filter((each) => each.code === code && (each.from === null || each.from <= on))
    .sort((a, b) => byCodePoint(b.from ?? '', a.from ?? ''));
  return heard.flatMap((said) => begun.find((each) => each.said === said) ?? [])[0] ?? null;
}

/** The school's before the household's, then the later one, then by code, so that the same mark always stands. */
const standsFirst = (a: GivenMark, b: GivenMark): number =>
  (a.by === b.by ? 0 : a.by === 'school' ? -1 : 1) ||
  byCodePoint(b.markedAt ?? '', a.markedAt ?? '') ||
  byCodePoint(a.code, b.code);

const numeric = new Intl.Collator('en', { numeric: true });
/** Periods in their order in the day: '0' before '1', '9' before '10'. */
export const byPeriod = (a: string, b: string): number => numeric.compare(a, b) || byCodePoint(a, b);

/**
 * Marks as they stand: one for each lesson, by day and period, with what its code means on that day.
 * @example two marks for period 3 on one day, 'A' and a later 'P': the 'P' stands, `instead` names the 'A'.
 */
export function readRegister<M extends GivenMark>(
  marks: readonly M[],
  meanings: readonly CodeMeaningFrom[],
): ReadMark<M>[] {
  const byLesson = new Map<string, M[]>();
  for (const mark of marks) {
    const key = `${mark.on}\n${mark.period}`;
    byLesson.set(key, [...(byLesson.get(key) ?? []), mark]);
  }
  return [...byLesson.values()]
    .flatMap((same): ReadMark<M>[] => {
      const [mark, ...instead] = same.sort(standsFirst);
      if (!mark) return [];
      const own = mark.means && { ...mark.means, said: 'file' as const };
      return [{ mark, meaning: own ?? meaningOn(meanings, mark.code, mark.on, ['map', 'found']), instead }];
    })
    .sort((a, b) => byCodePoint(a.mark.on, b.mark.on) || byPeriod(a.mark.period, b.mark.period));
}

/**
 * The computation's record of what stands. Marks without a known meaning are left out: they are shown, asked about,
 * and count as nothing until then.
 * @param asOf the last day that exists, `YYYY-MM-DD`.
 */
export function registerRecord(marks: readonly ReadMark[], asOf: string): AttendanceRecord {
  const codes: AttendanceRecord['codes'] = {};
  const days = new Map<string, AttendanceRecord['days'][number]['periods']>();
  for (const { mark, meaning } of marks) {
    if (!meaning) continue;
    const code = `${mark.code}/${meaning.kind}/${meaning.excused}`;
    codes[code] = { kind: meaning.kind, excused: meaning.excused };
    const periods = days.get(mark.on) ?? [];
    days.set(mark.on, periods);
    periods.push({ period: mark.period, courseId: mark.courseId, code });
  }
  return { asOf, codes, days: [...days].map(([date, periods]) => ({ date, periods })) };
}

/**
 * The days on which a child was there, where nothing but absences and late arrivals is written down, as families do: every
 * weekday that has no mark. A register that a school keeps, or that names days of presence itself, tells them all, and
 * gets none.
 * @param marks as they are given, of one child. @param year from its first day to the last that exists.
 * @example one absence in a week of school: four days of presence beside it.
 */
export function impliedPresence(marks: readonly GivenMark[], year: DateRange): GivenMark[] {
  const isOfFamily = ({ by, period, means }: GivenMark) =>
    by === 'household' && period === 'day' && means !== null && means.kind !== 'closed';
  if (marks.length === 0 || !marks.every(isOfFamily)) return [];
  const isExceptions = marks.some(({ means }) => means?.kind !== 'present');
  if (!isExceptions) return [];
  const marked = new Set(marks.map(({ on }) => on));
  const present = { kind: 'present', excused: false, label: null } as const;
  return datesOf(year)
    .filter((on) => !isWeekend(on) && !marked.has(on))
    .map((on) => ({
      ...{ on, period: 'day', courseId: null, code: 'P', means: present },
      ...{ markedAt: null, by: 'household' as const },
    }));
}
