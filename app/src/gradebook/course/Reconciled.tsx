import { useTranslation } from 'react-i18next';
import type { TFunction } from 'i18next';
import type { CourseDetail, Reconciliation } from '@cadro/contract';
import { useChildren, useFormat } from '../../household';
import { type Format } from '../../i18n';
import { LinkAction, Stack, Words } from '../../ui';

function reasonWords(
  t: TFunction,
  format: Format,
  course: Pick<CourseDetail, 'items'>,
  reason: Reconciliation['reasons'][number],
): string {
  switch (reason.kind) {
    case 'later-mark': {
      const titles = course.items.filter(({ id }) => reason.itemIds.includes(id)).map(({ title }) => title);
      return t('stated.later', { list: format.list(titles.slice(0, 4)), count: titles.length });
    }
    case 'overdue-as-zero':
      return t('stated.overdue');
    case 'own-entries':
      return t('beside.stated');
    case 'another-scale':
      return t('stated.anotherScale');
    case 'not-published':
      return t('stated.notPublished');
    case 'policy': {
      const { missingCounts, incompleteCounts, floor, categories } = reason.correction;
      if (missingCounts) return t(`stated.missing.${missingCounts}`);
      if (incompleteCounts) return t(`stated.incomplete.${incompleteCounts}`);
      if (floor !== undefined) return t('stated.floor', { percent: format.percent(floor) });
      if (categories?.some(({ weight }) => weight !== undefined)) return t('stated.equalWeights');
      return t(categories?.some(({ dropLowest }) => dropLowest === 0) ? 'stated.noDrops' : 'stated.drops');
    }
  }
}

/** The school's own figure beside ours; where they differ, calmly why that may be and what can be done. */
export function Reconciled({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { mayTalk } = useChildren();
  const { reconciliation, scale, corrected } = course;
  const correct = `/courses/${course.studentId}/${course.id}/counting` as const;
  const own = corrected ? (
    <Words size="small" colour="soft">
      {t('stated.corrected')}
    </Words>
  ) : null;
  if (!reconciliation) return own;
  const decimals = Math.max(1, scale.decimals);
  const { stated, letter, at, final, ours, ourLetter, verdict, reasons } = reconciliation;
  const { grade } = course;
  // As it reads everywhere; a figure that cannot be meant on this scale is told as it came.
  const figure = format.grade(grade.by === 'count' ? { display: stated, decimals, letter } : grade);
  const when = `${format.relative(at)}, ${format.time(at)}`;
  if (verdict !== 'differs') {
    return (
      <Stack space={0.25}>
        <Words size="small" colour="soft">
          {t(final ? 'stated.final' : verdict === 'same' ? 'stated.same' : 'stated.rounded', {
            figure,
            when,
          })}
        </Words>
        {letter !== null && letter !== ourLetter ? (
          <Words size="small">
            {t('stated.letter', { letter, ours: ourLetter ?? t('stated.noLetter') })}
          </Words>
        ) : null}
        {own}
      </Stack>
    );
  }
  return (
    <Stack space={0.5}>
      <Words bold>
        {t(final ? 'stated.finalDiffers' : 'stated.differs', { figure, ours: format.figure(ours, decimals) })}
      </Words>
      <Words size="small" colour="soft">
        {t('stated.when', { when })}
      </Words>
      {reasons.map((reason, index) => (
        <Words key={index}>{reasonWords(t, format, course, reason)}</Words>
      ))}
      {own}
      {reasons.some(({ kind }) => kind !== 'later-mark' && kind !== 'own-entries') &&
      mayTalk(course.studentId) ? (
        <LinkAction label={t('stated.correct')} href={correct} />
      ) : null}
    </Stack>
  );
}
