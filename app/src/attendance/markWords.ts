import type { TFunction } from 'i18next';
import type { DayMark } from '@cadro/contract';
import { markWord } from '../i18n';

export { markWord };

/** Whose lesson a mark is of. */
export const lessonWord = (
  t: TFunction,
  { courseTitle, period }: Pick<DayMark, 'courseTitle' | 'period'>,
): string => courseTitle ?? t('days.lesson', { period });

const isNotable = ({ kind }: DayMark): boolean => kind !== 'present' && kind !== 'closed';

/** An absence without a reason, or a mark nobody has explained. */
export const needsYou = ({ kind, excused }: Pick<DayMark, 'kind' | 'excused'>): boolean =>
  kind === null || (kind === 'absent' && !excused);

/** A day in a line: 'there all day', 'absent, explained', or the lessons that were otherwise. */
export function dayWords(t: TFunction, marks: readonly DayMark[]): string {
  if (marks.every(({ kind }) => kind === 'closed')) return t('days.noSchool');
  const notable = marks.filter(isNotable);
  const [first] = notable;
  if (!first) return t('days.allThere');
  const same =
    notable.length === marks.length && new Set(notable.map((mark) => markWord(t, mark))).size === 1;
  if (same) return markWord(t, first);
  return notable
    .map((mark) => t('days.mark', { lesson: lessonWord(t, mark), what: markWord(t, mark) }))
    .join(', ');
}
