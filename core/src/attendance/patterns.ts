import { weekdayOf } from '../dates';
import { byCodePoint } from '../gradebook';
import type { SchoolDay } from './schoolDays';

export type Pattern =
  | { readonly kind: 'leaves-early'; readonly value: null }
  | { readonly kind: 'period'; readonly value: string }
  | { readonly kind: 'weekday'; readonly value: number };

/** Patterns look at this many school days, up to the last one. */
const windowDays = 20;

/** Days on which the first lesson was attended and the last one was not. */
export const leftEarlyDays = (days: readonly SchoolDay[]): string[] =>
  days
    .slice(-windowDays)
    .filter(({ lessons }) => lessons[0]?.kind !== 'absent' && lessons[lessons.length - 1]?.kind === 'absent')
    .map(({ date }) => date);

/** Keys with at least three absences and at least twice the mean over the other keys. */
function standOut<K>(absences: ReadonlyMap<K, number>): K[] {
  const total = [...absences.values()].reduce((sum, count) => sum + count, 0);
  return [...absences].flatMap(([key, count]) => {
    if (absences.size < 2 || count < 3) return [];
    return count >= 2 * ((total - count) / (absences.size - 1)) ? [key] : [];
  });
}

/** The days of the window on which a pattern showed, oldest first. */
export function patternDates(days: readonly SchoolDay[], { kind, value }: Pattern): string[] {
  if (kind === 'leaves-early') return leftEarlyDays(days);
  return days
    .slice(-windowDays)
    .filter(({ date, lessons, absent }) =>
      kind === 'weekday'
        ? absent && weekdayOf(date) === value
        : lessons.some((lesson) => lesson.period === value && lesson.kind === 'absent'),
    )
    .map(({ date }) => date);
}

/** What stands out in the last school days, sorted by kind, then by value as text. */
export function patternsOf(days: readonly SchoolDay[]): Pattern[] {
  const window = days.slice(-windowDays);
  const byPeriod = new Map<string, number>();
  const byWeekday = new Map<number, number>();
  for (const { date, lessons, absent } of window) {
    const weekday = weekdayOf(date);
    byWeekday.set(weekday, (byWeekday.get(weekday) ?? 0) + (absent ? 1 : 0));
    for (const { period, kind } of lessons) {
      byPeriod.set(period, (byPeriod.get(period) ?? 0) + (kind === 'absent' ? 1 : 0));
    }
  }
  const leavesEarly: Pattern[] =
    leftEarlyDays(window).length >= 2 ? [{ kind: 'leaves-early', value: null }] : [];
  const periods = standOut(byPeriod).sort(byCodePoint);
  const weekdays = standOut(byWeekday).sort((a, b) => a - b);
  return [
    ...leavesEarly,
    ...periods.map((value): Pattern => ({ kind: 'period', value })),
    ...weekdays.map((value): Pattern => ({ kind: 'weekday', value })),
  ];
}
