import type { TFunction } from 'i18next';
import type { Format } from '../i18n';
import { creditWords } from './words';

/** Less than this is nothing one would see. */
const leastSeen = 5e-3;

/** What making something up would add to a grade, '+0.54' and 'of 4'; null where it is nothing. */
export const gainParts = (
  t: TFunction,
  format: Format,
  impact: number | null,
  outOf: number,
): { figure: string; unit: string } | null =>
  impact === null || impact < leastSeen
    ? null
    : {
        figure: t('work.gain', { gain: format.amount(impact) }),
        unit: outOf <= 10 ? t('work.of', { outOf }) : t('work.points'),
      };

/** Until when it is taken and for how much, in few words. */
export const turnInWords = (t: TFunction, format: Format, deadline: string, credit: number | null): string =>
  t('work.untilBrief', { date: format.day(deadline), credit: creditWords(t, format, credit ?? 1) });

/** The whole days that are left until a last day; 0 once it has passed. */
export const daysTo = (format: Format, deadline: string): number =>
  Math.max(0, format.daysBetween(format.today, deadline));
