import { setISODay } from 'date-fns/setISODay';

/** The names of the weekdays in a language, Monday first. */
export const weekdayNames = (language: string): string[] =>
  [1, 2, 3, 4, 5, 6, 7].map((weekday) =>
    new Intl.DateTimeFormat(language, { weekday: 'long' }).format(
      setISODay(new Date(2026, 0, 7, 12), weekday),
    ),
  );
