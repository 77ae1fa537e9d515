import type { TFunction } from 'i18next';
import type { TeacherWays, WantAspect } from '@cadro/contract';
import { i18next, weekdayNames } from '../i18n';

/** What the record shows of one of a teacher's ways; null where too little speaks for anything. */
export function wayWords(t: TFunction, aspect: WantAspect, ways: TeacherWays): string | null {
  const { assignments, dueWeekday, place, gradedDays, answeredDays, letters } = ways;
  if (aspect === 'lives')
    return place && t('wants.place', { place: place.name, count: place.count, all: assignments });
  if (aspect === 'replies') {
    if (answeredDays !== null) return t('wants.answered', { count: answeredDays });
    return letters > 0 ? t('wants.noAnswer', { count: letters }) : null;
  }
  const said = [
    ...(dueWeekday
      ? [
          t('wants.due', {
            day: weekdayNames(i18next.language)[dueWeekday.weekday - 1] ?? '',
            count: dueWeekday.count,
            all: assignments,
          }),
        ]
      : []),
    ...(gradedDays === null ? [] : [t('wants.graded', { count: gradedDays })]),
  ];
  return said.length > 0 ? said.join(' ') : null;
}
