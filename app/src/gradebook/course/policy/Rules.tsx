import { useTranslation } from 'react-i18next';
import type { CourseDetail } from '@cadro/contract';
import { useChildren, useFormat } from '../../../household';
import { Heading, Stack, WayOn, Words } from '../../../ui';
import { policySentences } from '../courseWords';

/** How it is counted, in sentences, and the way to correct what is assumed. */
export function Rules({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { mayTalk } = useChildren();
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('course.rules.title')}</Heading>
      {policySentences(t, format, course).map((sentence) => (
        <Words key={sentence} size="small">
          {sentence}
        </Words>
      ))}
      {course.scale.method === 'standards' || !mayTalk(course.studentId) ? null : (
        <WayOn
          label={t(course.corrected ? 'course.rules.change' : 'course.rules.correct')}
          href={`/courses/${course.studentId}/${course.id}/counting`}
        />
      )}
    </Stack>
  );
}
