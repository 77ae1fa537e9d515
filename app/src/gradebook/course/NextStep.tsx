import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { CourseDetail, ItemSummary } from '@cadro/contract';
import { openEndsOf } from '@cadro/core';
import { useChildren, useFormat } from '../../household';
import { Frame, frameOf, Heading, LinkAction, Row, RowLink, Stack, styles, Words } from '../../ui';
import { DaysTo, Gain } from '../Making';
import { gainParts, turnInWords } from '../makingWords';
import { stateWords } from '../words';

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
  const gain = gainParts(t, format, impact, scale.outOf);
  const until = deadline ? turnInWords(t, format, deadline, credit) : '';
  const state = stateWords(t, item);
  return (
    <>
      <RowLink
        bare
        href={`/courses/${studentId}/${id}/${item.id}`}
        label={[item.title, state, gain ? `${gain.figure} ${gain.unit}` : '', until]
          .filter(Boolean)
          .join('. ')}
      >
        <Row space={1} style={styles.top}>
          <View style={styles.above2}>
            <Frame kind={frameOf(item.state.status, kind)} needsYou />
          </View>
          <View style={styles.fill}>
            <Row space={1} style={styles.apartBase}>
              <Words bold style={styles.shrink}>
                {item.title}
              </Words>
              {gain ? <Gain {...gain} /> : null}
            </Row>
            <Words size="small" colour="plum">
              {until || state}
            </Words>
          </View>
        </Row>
      </RowLink>
      {deadline ? <DaysTo deadline={deadline} /> : null}
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
