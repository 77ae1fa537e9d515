import { useTranslation } from 'react-i18next';
import { spanWords, stateWords, useCourseQuery, useItemQuery } from '../gradebook';
import { useFormat } from '../household';
import { Loaded } from '../ui';
import { TakeInHandForm } from './TakeInHandForm';

interface OfCourse {
  readonly studentId: string;
  readonly courseId: string;
}

function AboutWork({ studentId, courseId, itemId }: OfCourse & { readonly itemId: string }) {
  const { t } = useTranslation();
  const query = useItemQuery({ studentId, itemId });
  return (
    <Loaded query={query}>
      {(item) => (
        <TakeInHandForm
          about={{ studentId, courseId, itemId }}
          title={item.title}
          line={`${item.course.title} · ${item.title} · ${stateWords(t, item)}`}
          back={{ href: `/courses/${studentId}/${courseId}/${itemId}`, label: item.title }}
          hints="work"
        />
      )}
    </Loaded>
  );
}

function AboutCourse({ studentId, courseId }: OfCourse) {
  const { t } = useTranslation();
  const format = useFormat();
  const query = useCourseQuery({ studentId, courseId });
  return (
    <Loaded query={query}>
      {(course) => (
        <TakeInHandForm
          about={{ studentId, courseId }}
          title={course.title}
          line={`${course.title} · ${spanWords(t, format, course)}`}
          back={{ href: `/courses/${studentId}/${courseId}`, label: course.title }}
          hints="course"
        />
      )}
    </Loaded>
  );
}

function AboutAttendance({ studentId }: { studentId: string }) {
  const { t } = useTranslation();
  return (
    <TakeInHandForm
      about={{ studentId, topic: 'attendance' }}
      title={t('followUp.attendance')}
      line={t('followUp.attendanceLine')}
      back={{ href: `/days/attendance/${studentId}`, label: t('days.attendance') }}
      hints="attendance"
    />
  );
}

/** A matter is taken in hand: a work, a whole course, or a child's attendance. */
/** Several works of one course in one conversation. */
function AboutWorks({ studentId, courseId, itemIds }: OfCourse & { readonly itemIds: readonly string[] }) {
  const { t } = useTranslation();
  const query = useCourseQuery({ studentId, courseId });
  return (
    <Loaded query={query}>
      {(course) => {
        const titles = course.items.filter(({ id }) => itemIds.includes(id)).map(({ title }) => title);
        return (
          <TakeInHandForm
            about={{ studentId, courseId, itemIds: [...itemIds] }}
            title={t('followUp.several', { course: course.title, count: titles.length })}
            line={titles.join(' · ')}
            back={{ href: '/work', label: t('places.work') }}
            hints="work"
          />
        );
      }}
    </Loaded>
  );
}

export function NewFollowUp({
  studentId,
  courseId,
  itemId: one,
  itemIds,
}: {
  studentId: string;
  courseId?: string;
  itemId?: string;
  /** Ids with commas between. */
  itemIds?: string;
}) {
  const several = itemIds?.split(',').filter(Boolean) ?? [];
  if (courseId && several.length > 1) return <AboutWorks {...{ studentId, courseId }} itemIds={several} />;
  const itemId = one ?? several[0];
  if (courseId && itemId) return <AboutWork {...{ studentId, courseId, itemId }} />;
  return courseId ? <AboutCourse {...{ studentId, courseId }} /> : <AboutAttendance studentId={studentId} />;
}
