import { useTranslation } from 'react-i18next';
import type { CourseDetail } from '@cadro/contract';
import { openEndsOf } from '@cadro/core';
import { useChildren } from '../../household';
import { Heading, LinkAction, List, Stack } from '../../ui';
import { ItemLine } from '../ItemLine';

/** What brings most and can still be done something about, and the talk about it. */
export function NextStep({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const { nameOf, mayTalk } = useChildren();
  const { id, studentId, figures, items, scale, term } = course;
  if (term.state === 'closed') return null;
  const [first] = (figures ? openEndsOf(figures) : []).filter(({ recoverable }) => recoverable);
  const item = items.find((each) => each.id === first?.itemId);
  if (!item && !mayTalk(studentId)) return null;
  return (
    <Stack>
      <Stack space={0}>
        <Heading level={2}>{t('item.next')}</Heading>
        {item ? (
          <List>
            <ItemLine item={item} scale={scale} href={`/courses/${studentId}/${id}/${item.id}`} />
          </List>
        ) : null}
      </Stack>
      {mayTalk(studentId) ? (
        <LinkAction
          main
          label={t('matter.talk', { child: nameOf(studentId) })}
          href={`/talk/new?studentId=${studentId}&courseId=${id}`}
        />
      ) : null}
    </Stack>
  );
}
