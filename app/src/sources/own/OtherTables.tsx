import { useState } from 'react';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import type { Child, OwnRecord } from '@cadro/contract';
import type { MarksTable, Order, TableCourse } from '@cadro/core/tables';
import { Trouble } from '../../household';
import { marksHanded, useAppDispatch } from '../../store';
import { Action, Heading, Quietly, Stack, WayOn, Words } from '../../ui';
import { usePutOwnCourseMutation } from '../api';
import { likelyCourse } from './groups';
import { marksText } from './marksText';
import { DateOrder } from './TableColumns';

/** A table of attendance: it is gone through and taken in where attendance is. */
export function FoundMarks({
  child,
  table,
  order,
  onOrder,
}: {
  readonly child: Child;
  readonly table: MarksTable;
  readonly order: Order | null;
  readonly onOrder: (order: Order) => void;
}) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const router = useRouter();
  const asks = table.undecided && order === null;
  const goThrough = () => {
    dispatch(marksHanded(marksText(table)));
    router.push(`/days/attendance/${child.id}/file`);
  };
  return (
    <Stack>
      <Heading level={2}>{t('table.marks', { count: table.marks.length })}</Heading>
      {table.undated.length > 0 ? (
        <Words size="small">
          {t('table.undated', { count: table.undated.length, row: table.undated[0] })}
        </Words>
      ) : null}
      {table.undecided || order !== null ? <DateOrder order={order} onOrder={onOrder} /> : null}
      {asks ? (
        <Words colour="plum">{t('table.decide')}</Words>
      ) : (
        <Action main label={t('table.goThrough')} onPress={goThrough} />
      )}
    </Stack>
  );
}

interface CoursesProps {
  readonly child: Child;
  readonly record: OwnRecord;
  readonly courses: readonly TableCourse[];
}

/** Writes courses down one after the other, each to be graded as courses usually are. */
function useAdding({ child, record }: Pick<CoursesProps, 'child' | 'record'>) {
  const [put, { isLoading, error }] = usePutOwnCourseMutation();
  const [added, setAdded] = useState<readonly { readonly id: string; readonly title: string }[] | null>(null);
  const add = async (courses: readonly TableCourse[]) => {
    const made: { id: string; title: string }[] = [];
    for (const { title, teacher, email } of courses) {
      const rules = { adds: 'together', missing: 'zero', scale: 'letters' } as const;
      const named = { id: null, title, teacher: teacher || null, teacherEmail: email || null };
      const body = { ...named, ...rules, categories: [], termId: record.terms.at(-1)?.id ?? '' };
      const answer = await put({ studentId: child.id, body });
      if (!answer.data) break;
      made.push({ id: answer.data.courseId, title });
    }
    if (made.length > 0) setAdded(made);
  };
  return { added, add, busy: isLoading, error };
}

/** A list of courses: those that are not there yet can be written down. */
export function FoundCourses({ child, record, courses }: CoursesProps) {
  const { t } = useTranslation();
  const { added, add, busy, error } = useAdding({ child, record });
  const isThere = ({ title }: TableCourse) => likelyCourse(title, record.courses) !== null;
  const fresh = courses.filter((course) => !isThere(course));
  if (added)
    return (
      <Stack space={0.5}>
        <Heading level={2}>{t('table.coursesAdded', { count: added.length })}</Heading>
        <Words live>{t('table.coursesRules')}</Words>
        {added.map(({ id, title }) => (
          <WayOn key={id} label={title} href={`/courses/${child.id}/${id}/own`} />
        ))}
        <Trouble error={error} />
      </Stack>
    );
  return (
    <Stack>
      <Heading level={2}>{t('table.courses', { count: courses.length })}</Heading>
      {courses.map((course) => (
        <Words key={course.row}>
          {[course.title, course.teacher, isThere(course) ? t('table.courseThere') : '']
            .filter((each) => each !== '')
            .join(' · ')}
        </Words>
      ))}
      <Trouble error={error} />
      {fresh.length > 0 ? (
        <Action
          main
          label={t('table.addCourses', { count: fresh.length })}
          busy={busy}
          onPress={() => void add(fresh)}
        />
      ) : null}
    </Stack>
  );
}

/** What a table was taken for can be wrong. */
export function NotSo({ onWork }: { readonly onWork: () => void }) {
  const { t } = useTranslation();
  return <Quietly label={t('table.isWork')} onPress={onWork} />;
}
