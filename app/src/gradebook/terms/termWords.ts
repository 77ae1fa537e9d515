import { useTranslation } from 'react-i18next';
import type { TermCourse, TermGrade, TermNode } from '@cadro/contract';
import { useFormat } from '../../household';

/** 'so far', 'stored by the school on 26 June', 'begins on 9 November': never a number without how sure it is. */
export function useGradeWords() {
  const { t } = useTranslation();
  const format = useFormat();
  return (grade: TermGrade, term: TermNode | undefined): string => {
    if (grade.state === 'stored')
      return t('terms.states.stored', { date: format.date(grade.grade.at ?? '') });
    if (grade.state === 'ahead' && term)
      return t('terms.states.begins', { date: format.date(term.startsOn) });
    return t(`terms.states.${grade.state}`);
  };
}

/** The credits of a course: earned, or those it will bring. */
export function useCreditWords({ credits, creditsEarned }: TermCourse): string[] {
  const { t } = useTranslation();
  if (credits <= 0) return [];
  return creditsEarned > 0
    ? [t('terms.creditsEarned', { count: creditsEarned })]
    : [t('terms.creditsRunning', { count: credits })];
}
