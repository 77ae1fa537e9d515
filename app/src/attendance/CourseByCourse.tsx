import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { AttendanceOfCourse, ChildDays } from '@cadro/contract';
import { useCoursesQuery } from '../gradebook/api';
import { spanWords } from '../gradebook';
import { useFormat } from '../household';
import { Heading, List, RowLink, Stack, Words } from '../ui';

/** Missed lessons of each course beside that course's figures, most missed first. */
export function CourseByCourse({ days }: { days: ChildDays }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { data } = useCoursesQuery();
  if (days.byCourse.length === 0) return null;
  const span = days.term ? t('days.spans.term', { title: days.term.title }) : t('days.spans.year');
  const sorted = [...days.byCourse].sort((a, b) => b.absent - a.absent || b.lateArrivals - a.lateArrivals);
  const words = ({ absent, lessons, unexplained, lateArrivals }: AttendanceOfCourse) =>
    [
      absent === 0 ? t('days.courseNone') : t('days.courseMissed', { count: absent, lessons }),
      ...(unexplained > 0 ? [t('days.unexplained', { count: unexplained })] : []),
      ...(lateArrivals > 0 ? [t('days.late', { count: lateArrivals })] : []),
    ].join(', ');
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('days.byCourse')}</Heading>
      <Words size="small" colour="soft">
        {t('days.byCourseLead', { span })}
      </Words>
      <View>
        <List>
          {sorted.map((own) => {
            const course = data?.courses.find(
              ({ id, studentId }) => id === own.courseId && studentId === days.studentId,
            );
            const figures = course ? spanWords(t, format, course) : '';
            return (
              <RowLink
                key={own.courseId}
                href={`/courses/${days.studentId}/${own.courseId}`}
                label={`${own.courseTitle}. ${words(own)}. ${figures}`}
              >
                <Words bold>{own.courseTitle}</Words>
                <Words size="small" colour={own.unexplained > 0 ? 'plum' : 'soft'}>
                  {words(own)}
                </Words>
                {figures ? (
                  <Words size="small" colour="soft">
                    {figures}
                  </Words>
                ) : null}
              </RowLink>
            );
          })}
        </List>
      </View>
    </Stack>
  );
}
