import { useTranslation } from 'react-i18next';
import type { ItemDetail } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import { Stack, WayOn, Words } from '../ui';
import { sourcesWords } from './words';

/** Two sources that tell it differently, each with its age. */
export function TwoSources({ item }: { item: ItemDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { classroom, state, possible } = item;
  if (!classroom) return null;
  return (
    <Stack space={0.25}>
      {sourcesWords(t, format, state, classroom, possible).map((words) => (
        <Words key={words} size="small">
          {words}
        </Words>
      ))}
      <Words size="small" colour="soft">
        {t(`item.sources.${classroom.doubt}`)}
      </Words>
    </Stack>
  );
}

/** Whether what stands here is the family's own word, and the way to say what the school has not entered yet. */
export function OwnWord({ item }: { item: ItemDetail }) {
  const { t } = useTranslation();
  const { mayTalk } = useChildren();
  const format = useFormat();
  const { id, own, title, dueAt, possible, state, course, freshness } = item;
  if (own) return <Words size="small">{t(`beside.${own}Words`)}</Words>;
  const isOpen = state.status !== 'scored' && state.status !== 'excused';
  if (freshness.byHand || !isOpen || !mayTalk(course.studentId)) return null;
  const about = new URLSearchParams({ itemId: id, title, possible: String(possible) });
  if (dueAt) about.set('dueOn', format.dateOf(dueAt));
  return (
    <WayOn
      label={t('beside.know')}
      href={`/courses/${course.studentId}/${course.id}/write?${about.toString()}`}
    />
  );
}
