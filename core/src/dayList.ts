import { localeOf } from './locale';
import { onceEach } from './onceEach';

/**
 * Days of a calendar as one writes several of them: those of one month share its name.
 * @example 'Oct 19, 20, and 21'; 'Sep 30, Oct 1, and Oct 2'; '19, 20 y 21 de oct'
 */
export const dayListIn = onceEach((language: string) => {
  const locale = localeOf(language);
  const month = new Intl.DateTimeFormat(locale, { month: 'short', timeZone: 'UTC' });
  const list = new Intl.ListFormat(locale, { type: 'conjunction' });
  /** @param dates `2026-10-19`. */
  return (dates: readonly string[]): string => {
    const days = dates.map((date) => ({
      name: month.format(new Date(`${date}T12:00:00Z`)),
      day: String(Number(date.slice(8))),
    }));
    const one = new Set(dates.map((date) => date.slice(0, 7))).size === 1;
    const first = days[0];
    if (!first) return '';
    if (language !== 'en')
      return one
        ? `${list.format(days.map(({ day }) => day))} de ${first.name}`
        : list.format(days.map(({ name, day }) => `${day} de ${name}`));
    return one
      ? `${first.name} ${list.format(days.map(({ day }) => day))}`
      : list.format(days.map(({ name, day }) => `${name} ${day}`));
  };
});
