import type { TFunction } from 'i18next';
import type { AttendanceTotals, ChildDays } from '@cadro/contract';
import { chronicFrom } from '@cadro/core';

/** 'absent on 1 of 32 school days · 10 lessons missed, 3 without a reason · late 1 time': each with its unit. */
export function totalsWords(t: TFunction, totals: AttendanceTotals, markedBy: ChildDays['markedBy']): string {
  const { schoolDays, daysAbsent, lessonsAbsent, lessonsUnexplained, lateArrivals } = totals;
  const without =
    lessonsUnexplained > 0 ? t('days.unexplained', { count: lessonsUnexplained }) : t('days.allExplained');
  const quiet = daysAbsent === 0 && lessonsAbsent === 0;
  return [
    schoolDays === 0
      ? t('days.noDays')
      : quiet
        ? t('days.never', { days: schoolDays })
        : t('days.totals', { days: schoolDays, absent: daysAbsent }),
    ...(lessonsAbsent > 0 && markedBy === 'lessons'
      ? [`${t('days.lessons', { count: lessonsAbsent })}, ${without}`]
      : []),
    ...(lessonsAbsent > 0 && markedBy === 'days' ? [without] : []),
    ...(lateArrivals > 0 ? [t('days.late', { count: lateArrivals })] : []),
  ].join(' · ');
}

/** More missed days than these are not near. */
const near = 5;

/** The share of missed days, said plainly where it is much or near to it; null elsewhere. */
export function shareWords(t: TFunction, { share, year }: Pick<ChildDays, 'share' | 'year'>): string | null {
  const counts = { absent: year.daysAbsent, days: year.schoolDays };
  if (share.rate !== null && share.reached)
    return t(share.rate > chronicFrom + 1e-9 ? 'days.shareOver' : 'days.shareAt', counts);
  if (year.daysAbsent === 0 || share.moreDays === null || share.moreDays > near) return null;
  return t('days.shareNear', { count: share.moreDays });
}
