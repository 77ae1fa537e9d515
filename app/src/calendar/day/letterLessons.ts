import { useTranslation } from 'react-i18next';
import type { AbsenceLetter, ChildDay, ChildDays } from '@cadro/contract';
import { lessonWord, markWord } from '../../attendance';
import { useFormat, type Writing } from '../../household';
import type { ChosenLesson } from './letterDraft';

export type Purpose = AbsenceLetter['purpose'];
export interface Offered extends ChosenLesson {
  readonly what: string;
  readonly chosen: boolean;
}
/**
 * `subject` and `text` stay empty until the letter is written by hand, `lessons` until others are ticked than were
 * offered: then it holds their keys, a space between them.
 */
export interface Own {
  readonly reason: string;
  readonly subject: string;
  readonly text: string;
  readonly lessons: string;
}
export const keyOf = ({ on, period }: Omit<ChosenLesson, 'courseTitle'>): string =>
  `${on}/${encodeURIComponent(period ?? '')}`;
const listed = (lessons: readonly ChosenLesson[]): string => lessons.map(keyOf).join(' ');
/** How it is kept that no lesson at all is ticked. */
const nothing = '-';
/** Absences of some days around belong to one explanation. */
const nearDays = 7;

/** What a letter can be about: marks without a reason, the marks of the day, or days to come. */
export function useOffered(day: ChildDay, days: ChildDays | undefined, purpose: Purpose): Offered[] {
  const { t } = useTranslation();
  const format = useFormat();
  const { on } = day;
  if (purpose === 'ahead') {
    return day.ahead.map((date, nth) => ({
      on: date,
      period: null,
      courseTitle: null,
      what: t('letter.wholeDay'),
      chosen: nth === 0,
    }));
  }
  const near = (date: string) => Math.abs(format.daysBetween(date, on)) <= nearDays;
  return (days?.days ?? [])
    .flatMap(({ on: date, marks }) => marks.map((mark) => ({ date, mark })))
    .filter(({ date, mark }) =>
      mark.by === 'household' || mark.kind === 'closed'
        ? false
        : purpose === 'explain'
          ? mark.kind === 'absent' && !mark.excused
          : date === on,
    )
    .reverse()
    .map(({ date, mark }) => ({
      on: date,
      period: mark.period,
      courseTitle: mark.courseTitle,
      what: t('days.mark', { lesson: lessonWord(t, mark), what: markWord(t, mark) }),
      chosen: purpose === 'explain' ? near(date) : mark.kind !== 'present',
    }));
}

/** The lessons and days the letter is about; single lessons stand for the day, or the day for its lessons. */
export function useChosen(
  { on, lessons }: ChildDay,
  offered: readonly Offered[],
  purpose: Purpose,
  { fields, set }: Writing<Own>,
) {
  const kept = fields.lessons === '' ? null : new Set(fields.lessons.split(' '));
  const single = purpose === 'ahead' ? lessons.map((lesson) => ({ ...lesson, on, chosen: false })) : [];
  const all = [...offered, ...single];
  const chosen: readonly ChosenLesson[] = all.filter((each) => (kept ? kept.has(keyOf(each)) : each.chosen));
  const keys = new Set(chosen.map(keyOf));
  const toggle = (lesson: ChosenLesson) => {
    const ticking = !keys.has(keyOf(lesson));
    const clashes = (each: ChosenLesson) =>
      each.on === lesson.on && (each.period === null) !== (lesson.period === null);
    const next = all.filter((each) => {
      if (keyOf(each) === keyOf(lesson)) return ticking;
      return keys.has(keyOf(each)) && !(ticking && clashes(each));
    });
    const asOffered = listed(next) === listed(all.filter((each) => each.chosen));
    set({ lessons: asOffered ? '' : listed(next) || nothing });
  };
  return { chosen, keys, toggle };
}
