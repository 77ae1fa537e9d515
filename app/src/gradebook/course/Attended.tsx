import { useTranslation } from 'react-i18next';
import type { CourseDetail } from '@cadro/contract';
import { Heading, Stack, WayOn, Words } from '../../ui';

/** This course's attendance, in lessons, in its term. */
export function Attended({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const { attendance } = course;
  if (!attendance) return null;
  const { absent, unexcused, tardies } = attendance;
  const sentences = [
    absent === 0 ? t('course.attended.never') : t('course.attended.absent', { count: absent }),
    ...(absent > 0
      ? [
          unexcused > 0
            ? t('course.attended.unexplained', { count: unexcused })
            : t('course.attended.explained'),
        ]
      : []),
    ...(tardies > 0 ? [t('course.attended.late', { count: tardies })] : []),
  ];
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('course.attended.title')}</Heading>
      <Words>{sentences.join(' ')}</Words>
      <WayOn label={t('course.attended.days')} href={`/days/attendance/${course.studentId}`} />
    </Stack>
  );
}
