import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { CourseDetail, ItemSummary } from '@cadro/contract';
import { notInFigureReasons, whyNotInFigure, type NotInFigure } from '@cadro/core';
import { useFormat } from '../../household';
import { Heading, Stack, Words } from '../../ui';

/** Works told by name; the others by their number. */
const mostNamed = 4;

/** What is not in the figure, and why: a reason, how many works, which. */
export function NotInFigure({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const byReason = new Map<NotInFigure, ItemSummary[]>();
  for (const item of course.items) {
    const reason = whyNotInFigure(item, course);
    if (reason) byReason.set(reason, [...(byReason.get(reason) ?? []), item]);
  }
  if (byReason.size === 0) return null;
  return (
    <Stack>
      <Heading level={2}>{t('course.notIn.title')}</Heading>
      {notInFigureReasons.map((reason) => {
        const items = byReason.get(reason);
        if (!items) return null;
        const titles = items.slice(0, mostNamed).map(({ title }) => title);
        const more = items.length - titles.length;
        const names = more > 0 ? [...titles, t('course.notIn.more', { count: more })] : titles;
        return (
          <View key={reason}>
            <Words bold size="small">
              {t(`course.notIn.${reason}`, { count: items.length })}
            </Words>
            <Words size="small" colour="soft">
              {format.list(names)}
            </Words>
          </View>
        );
      })}
    </Stack>
  );
}
