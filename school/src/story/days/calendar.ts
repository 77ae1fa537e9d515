import { TZDate } from '@date-fns/tz';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import { isWeekend } from 'date-fns/isWeekend';

/** The island keeps Atlantic time; clocks go back on 1 November. */
export const timeZone = 'America/Halifax';
export const termStart = '2026-09-07';
export const termEnd = '2026-11-06';
export const termWeeks = 9;
/** The story goes on into the second quarter, so that the turn can be seen. */
export const storyEnd = '2026-12-04';
export const storyWeeks = 13;
/** Days without school. */
export const closures: Readonly<Record<string, string>> = {
  '2026-09-25': 'Harbour day',
  '2026-11-11': 'Lantern day',
};

const parts = (date: string): [number, number, number] => {
  const [year = 0, month = 1, day = 1] = date.split('-').map(Number);
  return [year, month - 1, day];
};

/** A few hundred dates are asked for tens of thousands of times, and a zone's arithmetic is slow: each is worked out once. */
function once<Asked extends readonly (string | number)[], Answer>(work: (...asked: Asked) => Answer) {
  const known = new Map<string, Answer>();
  return (...asked: Asked): Answer => {
    const key = asked.join(' ');
    const answer = known.get(key) ?? work(...asked);
    known.set(key, answer);
    return answer;
  };
}

/** The instant of a time of day on a school's date. `at('2026-10-12', '23:59')` → `2026-10-13T02:59:00.000Z`. */
export const at = once((date: string, time: string): string => {
  const [hours = 0, minutes = 0] = time.split(':').map(Number);
  return new Date(new TZDate(...parts(date), hours, minutes, timeZone).getTime()).toISOString();
});

export const dayAfter = once((date: string, days: number): string =>
  format(addDays(new Date(...parts(date)), days), 'yyyy-MM-dd'),
);

export const isSchoolDay = once(
  (date: string): boolean => !isWeekend(new Date(...parts(date))) && !(date in closures),
);

/** The given day, or the next one with school. */
export const nextSchoolDay = (date: string): string =>
  isSchoolDay(date) ? date : nextSchoolDay(dayAfter(date, 1));

/** Weekday `offset` (0 = Monday) of a week of the term (0 = its first). */
export const dayOfWeek = (week: number, offset: number): string => dayAfter(termStart, week * 7 + offset);

const schoolDaysUntil = once((until: string): readonly string[] => {
  const days: string[] = [];
  for (let day = termStart; day <= until; day = dayAfter(day, 1)) if (isSchoolDay(day)) days.push(day);
  return days;
});
/** The days with school of the first quarter, or of all the story. */
export const schoolDays = (until = termEnd): readonly string[] => schoolDaysUntil(until);

/** How many of the calendar's days with school are over when a day begins. */
export const schoolDaysBefore = once(
  (date: string): number => schoolDays(calendarEnd).filter((day) => day < date).length,
);

const clock = (minutes: number): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;

const calendarEnd = '2026-12-18';

/** Every weekday of the published calendar: what it is called where there is no school, null on a school day. */
export function calendarDays(): { date: string; closed: string | null }[] {
  const days: { date: string; closed: string | null }[] = [];
  for (let date = termStart; date <= calendarEnd; date = dayAfter(date, 1)) {
    if (isWeekend(new Date(...parts(date)))) continue;
    days.push({ date, closed: closures[date] ?? null });
  }
  return days;
}

/** Lessons are of 50 minutes, an hour apart; period '1' begins at 8:40, '0' an hour before. '3' → 10:40 to 11:30. */
export function lessonTimes(period: string): { startsAt: string; endsAt: string } {
  const start = 8 * 60 + 40 + (Number(period) - 1) * 60;
  return { startsAt: clock(start), endsAt: clock(start + 50) };
}
