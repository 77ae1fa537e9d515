import { useTranslation } from 'react-i18next';
import { Heading, Loaded, Stack, Words } from '../../ui';
import { useChildren } from '../../household';
import { useCourseQuery } from '../api';
import { Comments } from '../Comments';
import { Standing } from './Standing';
import { LooseEnds } from './WorkLists';

/** A course in short, to stand beside what is written about it: where it stands, what is open in it, what the teacher said of it. */
export function CourseFacts({ studentId, courseId }: { studentId: string; courseId: string }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const query = useCourseQuery({ studentId, courseId });
  return (
    <Loaded query={query}>
      {(course) => (
        <Stack space={2}>
          <Stack space={0.25}>
            <Heading level={2}>{course.title}</Heading>
            <Words size="small" colour="soft">
              {t('message.about', { child: nameOf(studentId) })}
            </Words>
          </Stack>
          <Standing course={course} />
          <LooseEnds course={course} />
          <Comments comments={course.comments} studentId={studentId} none={null} />
        </Stack>
      )}
    </Loaded>
  );
}
