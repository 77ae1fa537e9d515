import type { AttendanceReason, Language } from '@cadro/contract';
import { dayListIn } from '../../../dayList';
import type { Told } from '../rule';

/** So many of the last days are named. */
const namedDays = 6;
const texts: Readonly<Record<Language, { on: (days: string) => string; lessons: (list: string) => string }>> =
  {
    en: { on: (days) => `On ${days}.`, lessons: (list) => `Classes: ${list}.` },
    es: { on: (days) => `El ${days}.`, lessons: (list) => `Clases: ${list}.` },
  };

/** What every rule about attendance says: on which days, and which lessons. */
export function daysIn(language: Language, { days, lessons }: AttendanceReason, { formats }: Told) {
  const say = texts[language];
  const on = say.on(dayListIn(language)(days.slice(-namedDays)));
  const which = lessons.length > 0 ? [say.lessons(formats.list(lessons))] : [];
  return { on, which, first: formats.date(days[0] ?? '') };
}
