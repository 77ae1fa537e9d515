import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { CourseDetail } from '@cadro/contract';
import { useFormat } from '../../household';
import { markWord } from '../../i18n';
import { Heading, List, Quietly, RowLink, Stack, WayOn, Words } from '../../ui';

type Lessons = NonNullable<CourseDetail['attendance']>['lessons'];

/** The dates behind the counts: what was marked and by whom, and what was missed. */
function Lessons({ lessons, studentId }: { lessons: Lessons; studentId: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  return (
    <View>
      <List>
        {lessons.map(({ on, period, mark, excused, markedBy, done }) => {
          const what = markWord(t, { kind: mark, excused, code: '' });
          const said = [
            ...(markedBy ? [t('course.attended.markedBy', { name: markedBy })] : []),
            ...(done ? [done] : []),
          ].join(' · ');
          return (
            <RowLink
              key={`${on}:${period}`}
              href={`/days/${studentId}/${on}`}
              label={[format.dayLong(on), what, said].filter(Boolean).join('. ')}
            >
              <Words>{`${format.day(on)}: ${what}`}</Words>
              {said ? (
                <Words size="small" colour="soft">
                  {said}
                </Words>
              ) : null}
            </RowLink>
          );
        })}
      </List>
    </View>
  );
}

/** This course's attendance, in lessons, in its term; its dates unfold. */
export function Attended({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const { attendance } = course;
  const [open, setOpen] = useState(false);
  if (!attendance) return null;
  const { absent, unexcused, tardies, lessons } = attendance;
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
      {lessons.length > 0 ? (
        <Quietly
          label={t(open ? 'course.attended.hide' : 'course.attended.show')}
          onPress={() => setOpen(!open)}
          open={open}
        />
      ) : null}
      {open ? <Lessons lessons={lessons} studentId={course.studentId} /> : null}
      <WayOn label={t('course.attended.days')} href={`/days/attendance/${course.studentId}`} />
    </Stack>
  );
}
