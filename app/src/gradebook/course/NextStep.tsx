import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { CourseDetail, ItemSummary } from '@cadro/contract';
import { openEndsOf } from '@cadro/core';
import { useChildren, useFormat } from '../../household';
import { DaysLeft, Frame, frameOf, Heading, LinkAction, Row, RowLink, Stack, styles, Words } from '../../ui';
import { creditWords, stateWords } from '../words';

interface StepProps {
  readonly course: CourseDetail;
  readonly item: ItemSummary;
  readonly end: ReturnType<typeof openEndsOf>[number];
}

/** The loose end that brings most: what it would add, until when, and the days that are left. */
function Step({ course: { id, studentId, scale }, item, end }: StepProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const { kind, impact, deadline, credit } = end;
  const gain = impact !== null && impact >= 5e-3 ? t('work.gain', { gain: format.amount(impact) }) : '';
  const unit = scale.outOf <= 10 ? t('work.of', { outOf: scale.outOf }) : t('work.points');
  const days = deadline ? Math.max(0, format.daysBetween(format.today, deadline)) : 0;
  const until = deadline
    ? t('work.untilBrief', { date: format.day(deadline), credit: creditWords(t, format, credit ?? 1) })
    : '';
  const state = stateWords(t, item);
  return (
    <>
      <RowLink
        bare
        href={`/courses/${studentId}/${id}/${item.id}`}
        label={[item.title, state, gain ? `${gain} ${unit}` : '', until].filter(Boolean).join('. ')}
      >
        <Row space={1} style={styles.top}>
          <View style={styles.above2}>
            <Frame kind={frameOf(item.state.status, kind === 'again' ? null : kind)} needsYou />
          </View>
          <View style={styles.fill}>
            <Row space={1} style={styles.apartBase}>
              <Words bold style={styles.shrink}>
                {item.title}
              </Words>
              {gain ? (
                <Row space={0.5} style={styles.base}>
                  <Words bold colour="teal">
                    {gain}
                  </Words>
                  <Words size="small" colour="soft">
                    {unit}
                  </Words>
                </Row>
              ) : null}
            </Row>
            <Words size="small" colour="plum">
              {until || state}
            </Words>
          </View>
        </Row>
      </RowLink>
      {deadline ? <DaysLeft days={days} label={t('work.daysLeft', { count: days })} /> : null}
    </>
  );
}

/** What brings most and can still be done something about, and the talk about it. */
export function NextStep({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const { nameOf, mayTalk } = useChildren();
  const { id, studentId, figures, items, term } = course;
  if (term.state === 'closed') return null;
  const [first] = (figures ? openEndsOf(figures) : []).filter(({ recoverable }) => recoverable);
  const item = items.find((each) => each.id === first?.itemId);
  if (!item && !mayTalk(studentId)) return null;
  return (
    <Stack>
      <Stack space={0}>
        <Heading level={2}>{t('item.next')}</Heading>
        {item && first ? <Step course={course} item={item} end={first} /> : null}
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
