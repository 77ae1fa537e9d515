import { useTranslation } from 'react-i18next';
import type { CourseDetail } from '@cadro/contract';
import { useFormat } from '../../household';
import { Span, Stack, Words } from '../../ui';
import { ThreeFigures } from '../ThreeFigures';
import { endedWords, hasGrade, spanWords } from '../words';
import { LastMoved } from './Moved';
import { Reconciled } from './Reconciled';

/** The span with its three figures, and what moved it last; of a course without a grade, what there is instead. */
export function Standing({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { figures, grade, ended, scale, nextDue } = course;
  if (!figures || !hasGrade(grade)) {
    const next = nextDue
      ? [t('courses.nextDue', { title: nextDue.title, date: format.day(nextDue.dueAt) })]
      : [];
    return (
      <Stack>
        <Words>{[ended ? endedWords(t, format, ended) : t('courses.noFigure'), ...next].join('. ')}</Words>
        <Reconciled course={course} />
      </Stack>
    );
  }
  return (
    <Stack>
      <Span
        large
        figures={figures}
        grade={grade}
        scale={scale}
        target={course.target}
        label={spanWords(t, format, course)}
      />
      <ThreeFigures figures={figures} grade={grade} scale={scale} />
      <LastMoved course={course} />
    </Stack>
  );
}
