import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { ChildDay, TouchedWork } from '@cadro/contract';
import { useChildren, useFormat } from '../../household';
import { problemWords } from '../../i18n';
import { stateWords } from '../../gradebook';
import { Action, Frame, frameOf, Heading, List, Row, RowLink, Stack, styles, Words } from '../../ui';
import { useCatchUpMutation } from './dayApi';

function Touched({ studentId, work }: { studentId: string; work: TouchedWork }) {
  const { t } = useTranslation();
  const format = useFormat();
  const {
    itemId,
    courseId,
    courseTitle,
    title,
    assigned,
    due,
    status,
    kind,
    earned,
    possible,
    dueAt,
    remarked,
    doubtful,
  } = work;
  const state = doubtful
    ? t('item.states.doubtful')
    : status === 'scored' && earned !== null && kind === null
      ? t('item.score', { earned: format.amount(earned), possible: format.amount(possible) })
      : stateWords(t, {
          state: { status, at: null, earned, late: false, levels: {} },
          looseEnd: kind && { itemId, kind, recoverable: true, credit: null, deadline: null, impact: null },
          dueAt,
          remarked,
        });
  const why = [...(due ? [t('day.due')] : []), ...(assigned ? [t('day.givenOut')] : [])].join(', ');
  return (
    <RowLink
      href={`/courses/${studentId}/${courseId}/${itemId}`}
      label={`${title}. ${courseTitle}. ${why}. ${state}`}
    >
      <Row space={1.5}>
        <Frame kind={frameOf(status, kind)} needsYou={kind !== null && !doubtful} />
        <View style={styles.fill}>
          <Words bold>{title}</Words>
          <Words size="small" colour="soft">
            {[courseTitle, why].join(' · ')}
          </Words>
        </View>
        <Words
          size="small"
          bold={work.open}
          colour={kind === null || doubtful ? 'soft' : 'plum'}
          style={own.state}
        >
          {state}
        </Words>
      </Row>
    </RowLink>
  );
}

/** The lessons that were missed, in a sentence each for absence and trip. */
function Missed({ day }: { day: ChildDay }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { missed, lessons, dayMark } = day;
  const titles = (kind: 'absent' | 'activity') =>
    lessons.flatMap(({ mark, courseTitle }) =>
      (mark ?? dayMark)?.kind === kind && courseTitle ? [courseTitle] : [],
    );
  return (
    <>
      {missed.absent > 0 ? (
        <Words>{t('day.missed', { count: missed.absent, lessons: format.list(titles('absent')) })}</Words>
      ) : null}
      {missed.trip > 0 ? (
        <Words>{t('day.trip', { count: missed.trip, lessons: format.list(titles('activity')) })}</Words>
      ) : null}
    </>
  );
}

/** What an absence or a trip cost: lessons, the work it touched with its state, and catching up as one matter. */
export function Cost({ day }: { day: ChildDay }) {
  const { t } = useTranslation();
  const format = useFormat();
  const router = useRouter();
  const { mayTalk } = useChildren();
  const [catchUp, { isLoading, error }] = useCatchUpMutation();
  const { studentId, on, missed, touched, inHand } = day;
  if (missed.absent === 0 && missed.trip === 0) return null;
  const open = touched.filter((work) => work.open).length;
  const taken = inHand.some((each) => each.purpose === 'catch-up' && each.open);
  const take = async () => {
    const title = t('day.catchUpTitle', { day: format.dayLong(on) });
    const answer = await catchUp({ studentId, on, title });
    if (answer.data) router.push(`/talk/follow-ups/${answer.data.followUpId}`);
  };
  return (
    <Stack>
      <Heading level={2}>{t('day.cost')}</Heading>
      <Missed day={day} />
      {touched.length === 0 ? <Words colour="soft">{t('day.noWork')}</Words> : null}
      <View>
        <List>
          {touched.map((work) => (
            <Touched key={`${work.itemId}`} studentId={studentId} work={work} />
          ))}
        </List>
      </View>
      {touched.length > 0 && open === 0 ? <Words colour="teal">{t('day.allIn')}</Words> : null}
      {open > 0 && !taken && mayTalk(studentId) ? (
        <Action main label={t('day.catchUp', { count: open })} busy={isLoading} onPress={() => void take()} />
      ) : null}
      {error ? (
        <Words colour="plum" live>
          {problemWords(t, error)}
        </Words>
      ) : null}
    </Stack>
  );
}

const own = StyleSheet.create({
  /** A long state leaves its work the room for its name. */
  state: { maxWidth: '45%', textAlign: 'right' },
});
