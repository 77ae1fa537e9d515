import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import type { CourseDetail } from '@cadro/contract';
import { useFormat } from '../../household';
import { Choice, Stack, Words } from '../../ui';

/** Which term is open; earlier ones can be opened where there are some. */
export function TermSwitch({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const router = useRouter();
  const begun = course.terms.filter(({ state }) => state !== 'ahead');
  const { term } = course;
  const words = t(`course.termState.${term.state}`, {
    term: term.title,
    date: format.date(term.state === 'ahead' ? term.startsOn : term.endsOn),
  });
  return (
    <Stack space={0.5}>
      {begun.length > 1 ? (
        <Choice
          label={t('course.term')}
          options={begun.map(({ id, title }) => ({ value: id, label: title }))}
          value={term.id}
          onChange={(termId) => router.push(`/courses/${course.studentId}/${course.id}?termId=${termId}`)}
        />
      ) : null}
      <Words size="small" colour="soft">
        {words}
      </Words>
    </Stack>
  );
}
