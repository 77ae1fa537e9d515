import { parseISO } from 'date-fns/parseISO';
import { getISODay } from 'date-fns/getISODay';
import type { TeacherWays } from '@cadro/contract';
import { dateIn } from '../dates';
import { schoolDaysWaited } from '../schoolDays';

/** An assignment, as far as it shows a teacher's ways. */
export interface WayWork {
  readonly dueAt: Date | null;
  readonly place: string | null;
  /** When it was graded; null while it is not. */
  readonly gradedAt: Date | null;
}

/** A letter to the teacher, and when the first answer after it came. */
export interface WayLetter {
  readonly at: Date;
  readonly answeredAt: Date | null;
}

/** So many must agree before something is a way and no chance, and they must be so large a share of all. */
const fewest = 4;
const share = 0.5;

/** The lower median; null of nothing. */
function median(values: readonly number[]): number | null {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.ceil(sorted.length / 2) - 1] ?? null;
}

/** What most have, with how many do; null where too few agree. */
function most<T>(values: readonly T[]): { value: T; count: number } | null {
  const counts = new Map<T, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  const [first] = [...counts].sort((a, b) => b[1] - a[1]);
  if (!first || first[1] < fewest || first[1] <= values.length * share) return null;
  return { value: first[0], count: first[1] };
}

/**
 * A teacher's ways with a child's work, as the record shows them; what too little speaks for is left out.
 * @param closed days on which the school is shut, beside weekends.
 */
export function waysOf(
  { works, letters }: { readonly works: readonly WayWork[]; readonly letters: readonly WayLetter[] },
  { timeZone, closed }: { readonly timeZone: string; readonly closed: ReadonlySet<string> },
): TeacherWays {
  const due = works.flatMap(({ dueAt }) => (dueAt ? [getISODay(parseISO(dateIn(timeZone, dueAt)))] : []));
  const weekday = most(due);
  const place = most(works.flatMap((work) => (work.place ? [work.place] : [])));
  const between = (from: Date, to: Date) =>
    schoolDaysWaited(dateIn(timeZone, from), dateIn(timeZone, to), closed);
  const graded = works.flatMap(({ dueAt, gradedAt }) =>
    dueAt && gradedAt ? [between(dueAt, gradedAt)] : [],
  );
  const answered = letters.flatMap(({ at, answeredAt }) => (answeredAt ? [between(at, answeredAt)] : []));
  return {
    assignments: works.length,
    dueWeekday: weekday && { weekday: weekday.value, count: weekday.count },
    place: place && { name: place.value, count: place.count },
    gradedDays: graded.length < fewest ? null : median(graded),
    answeredDays: median(answered),
    letters: letters.length,
  };
}
