import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { CourseDetail, ItemSummary } from '@cadro/contract';
import { openEndsOf, whyNotInFigure } from '@cadro/core';
import { useFormat } from '../../household';
import { Choice, Heading, List, Quiet, Quietly, SaveCsv, Stack } from '../../ui';
import { stateWords } from '../words';
import { ItemLine } from '../ItemLine';
import { arrange, arrangements, orders, type Arrangement, type Order } from './arrange';

/** Rows of a group that stand there at once. */
const fewRows = 12;

function Group({
  title,
  items,
  course,
  open,
}: {
  title: string | null;
  items: readonly ItemSummary[];
  course: CourseDetail;
  open?: boolean;
}) {
  const { t } = useTranslation();
  const [all, setAll] = useState(open ?? false);
  const shown = all ? items : items.slice(0, fewRows);
  return (
    <View>
      {title === null ? null : <Heading level={3}>{title}</Heading>}
      <List>
        {shown.map((item) => (
          <ItemLine
            key={item.id}
            item={item}
            scale={course.scale}
            href={`/courses/${course.studentId}/${course.id}/${item.id}`}
          />
        ))}
      </List>
      {shown.length < items.length ? (
        <Quietly label={t('course.showAll', { count: items.length })} onPress={() => setAll(true)} />
      ) : null}
    </View>
  );
}

function useArrangement(): [Arrangement, Order, (change: { by?: Arrangement; order?: Order }) => void] {
  const params = useLocalSearchParams<{ by?: string; order?: string }>();
  const router = useRouter();
  const by = arrangements.find((each) => each === params.by) ?? 'date';
  const order = orders.find((each) => each === params.order) ?? 'newest';
  return [by, order, (change) => router.setParams(change)];
}

/** What is unsettled, before the lists in which it would be one of many. */
export function LooseEnds({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  // In make-up order: what gains most first, second chances among the loose ends.
  const order = course.figures ? openEndsOf(course.figures).map(({ itemId }) => itemId) : [];
  const open = course.items
    .filter(({ looseEnd, chance }) => looseEnd !== null || chance !== null)
    .sort((a, b) => order.indexOf(a.id) - order.indexOf(b.id));
  if (open.length === 0) return null;
  return (
    <View>
      <Heading level={2}>{t('course.unsettled')}</Heading>
      <Group title={null} items={open} course={course} open />
    </View>
  );
}

/** All work of a course as a file, each with the reason why it is not in the figure. */
function WorkCsv({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const titleOf = (id: string | null) =>
    course.categories.find((category) => category.id === id)?.title ?? '';
  const reasonOf = (item: ItemSummary): string => {
    const reason = course.scale.method === 'standards' ? null : whyNotInFigure(item, course);
    return reason ? t(`course.notIn.${reason}`, { count: 1 }) : '';
  };
  const columns = [
    t('course.csv.work'),
    t('course.category'),
    t('course.by.unit'),
    ...(['assigned', 'due', 'state', 'earned', 'possible', 'counts'] as const).map((name) =>
      t(`course.csv.${name}`),
    ),
    t('course.notIn.title'),
  ];
  const rows = () =>
    course.items.map((item) => [
      item.title,
      titleOf(item.categoryId),
      item.unit,
      item.assignedAt && format.dateOf(item.assignedAt),
      item.dueAt && format.dateOf(item.dueAt),
      stateWords(t, item),
      item.state.earned,
      item.possible,
      t(item.counts ? 'save.yes' : 'save.no'),
      reasonOf(item),
    ]);
  return <SaveCsv name={t('course.csv.name', { course: course.title })} columns={columns} rows={rows} />;
}

/** The work, arranged as one likes. The arrangement stays in the address. */
export function WorkLists({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const [by, order, change] = useArrangement();
  const { items, categories } = course;
  // By date the loose ends would only stand here once more: they stand above.
  const rest = by === 'date' ? items.filter(({ looseEnd }) => looseEnd === null) : items;
  const groups = arrange(rest, by, order, {
    categoryOf: (id) => categories.find((category) => category.id === id)?.title ?? '',
    stateOf: (item) => stateWords(t, item),
    noUnit: t('course.noUnit'),
  });
  return (
    <Stack>
      <Heading level={2}>{t('course.work')}</Heading>
      {items.length === 0 ? (
        <Quiet>{t('course.noWork')}</Quiet>
      ) : (
        <>
          <Choice
            label={t('course.arrange')}
            options={arrangements.map((value) => ({ value, label: t(`course.by.${value}`) }))}
            value={by}
            onChange={(value) => change({ by: value })}
          />
          <Choice
            label={t('course.order')}
            options={orders.map((value) => ({ value, label: t(`course.orders.${value}`) }))}
            value={order}
            onChange={(value) => change({ order: value })}
          />
        </>
      )}
      {groups.map(({ key, items: own }) => (
        <Group key={`${by}/${order}/${key}`} title={key || null} items={own} course={course} />
      ))}
      {items.length > 0 ? <WorkCsv course={course} /> : null}
    </Stack>
  );
}
