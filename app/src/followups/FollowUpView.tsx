import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { followUpSteps, type FollowUp } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import { BackLink, Frame, Heading, LinkAction, Loaded, Page, Row, Stack, WayOn, Words } from '../ui';
import { useFollowUpQuery } from './api';
import { ChangeForm } from './ChangeForm';
import { Checklist } from './Checklist';
import { Entries } from './Entries';
import { HandOver } from './HandOver';
import { absenceOutcome, outcomeWords } from './words';
import { Register } from './Register';
import { Forgotten, Tidy } from './Tidy';
import { Weekly } from './Weekly';

/** The five steps, the reached ones filled. */
function Steps({ followUp }: { followUp: FollowUp }) {
  const { t } = useTranslation();
  const reached = followUpSteps.indexOf(followUp.step);
  return (
    <Row wrap space={2}>
      {followUpSteps.map((step, index) => (
        <View
          key={step}
          style={own.people}
          {...(index === reached ? { 'aria-current': 'step' as const } : {})}
        >
          <Frame
            kind={
              index < reached || followUp.step === 'settled'
                ? 'scored'
                : index === reached
                  ? 'incomplete'
                  : 'nothing'
            }
          />
          <Words size="small" bold={index === reached} colour={index <= reached ? 'ink' : 'soft'}>
            {t(`steps.${step}`)}
          </Words>
        </View>
      ))}
    </Row>
  );
}

function Now({ followUp }: { followUp: FollowUp }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const child = nameOf(followUp.studentId);
  const format = useFormat();
  const outcome = outcomeWords(t, format, followUp.outcome);
  if (outcome)
    return (
      <Words size="matter" bold colour="teal">
        {t('followUp.settledBy', outcome)}
      </Words>
    );
  const absence = absenceOutcome(t, followUp.outcome);
  if (absence)
    return (
      <Words size="matter" bold colour="teal">
        {absence}
      </Words>
    );
  if (followUp.outcome?.by === 'reached') {
    const { figure, outOf } = followUp.outcome;
    return (
      <Words size="matter" bold colour="teal">
        {t('talk.reached', { figure: format.amount(figure), outOf: format.amount(outOf) })}
      </Words>
    );
  }
  if (followUp.step === 'settled') return <Words>{t('followUp.settledHand')}</Words>;
  return (
    <Stack space={0.25}>
      <Words>
        {followUp.lookAgainOn
          ? t('followUp.lookAgainOn', { when: format.dayLong(followUp.lookAgainOn) })
          : followUp.lookAgainWhen
            ? t('followUp.lookWhen.graded')
            : t('followUp.noLookAgain')}
      </Words>
      {followUp.childDoneAt ? (
        <Words bold colour="teal">
          {t('followUp.childDone', { when: format.relative(followUp.childDoneAt), child })}
        </Words>
      ) : null}
      {followUp.looseEndKind ? (
        <Words size="small" colour="soft">
          {[
            t('followUp.takenUpAs', { kind: t(`kinds.${followUp.looseEndKind}`) }),
            followUp.stillKind
              ? t('followUp.nowKind', { kind: t(`kinds.${followUp.stillKind}`) })
              : t('followUp.nowNone'),
            t('followUp.settlesItself'),
          ].join(' ')}
        </Words>
      ) : null}
    </Stack>
  );
}

/** The way to what it is about: the work, the course, or the day. */
function WayBack({ followUp: { studentId, courseId, itemId, topic, absence } }: { followUp: FollowUp }) {
  const { t } = useTranslation();
  if (itemId && courseId) {
    return <WayOn label={t('followUp.openWork')} href={`/courses/${studentId}/${courseId}/${itemId}`} />;
  }
  if (courseId) return <WayOn label={t('matter.openCourse')} href={`/courses/${studentId}/${courseId}`} />;
  if (topic !== 'attendance') return null;
  const [lesson] = absence?.lessons ?? [];
  const href = lesson
    ? (`/days/${studentId}/${lesson.on}` as const)
    : (`/days/attendance/${studentId}` as const);
  return <WayOn label={t('matter.seeDays')} href={href} />;
}

function WaysOn({ followUp }: { followUp: FollowUp }) {
  const { t } = useTranslation();
  const { mayTalk } = useChildren();
  const { id, studentId, teacher, threadId, step, written } = followUp;
  return (
    <Row wrap space={2}>
      {step !== 'settled' && teacher?.contactable && mayTalk(studentId) ? (
        <LinkAction
          main={!written}
          label={t('followUp.write', { teacher: teacher.name })}
          href={`/talk/write?followUpId=${id}`}
        />
      ) : null}
      {threadId ? <WayOn label={t('followUp.read')} href={`/talk/threads/${threadId}`} /> : null}
      <WayBack followUp={followUp} />
    </Row>
  );
}

/** What has helped this child before, where something has. */
function Before({ followUp: { before } }: { followUp: FollowUp }) {
  const { t } = useTranslation();
  if (!before) return null;
  const { title, courseTitle, after, days } = before;
  const about = courseTitle ? `${title} (${courseTitle})` : title;
  return <Words>{t(`followUp.before.${after}`, { title: about, count: days })}</Words>;
}

/** How it goes on: what is said and agreed, every week or not, and what was begun by mistake. */
function Going({ followUp }: { followUp: FollowUp }) {
  if (followUp.forgotten) return <Forgotten followUp={followUp} />;
  return (
    <>
      <ChangeForm followUp={followUp} />
      {followUp.step === 'settled' ? null : <Weekly followUp={followUp} />}
      <Tidy followUp={followUp} />
    </>
  );
}

/** A matter in hand: who, what was agreed, when to look again, and everything that happened. */
export function FollowUpView({ followUpId }: { followUpId: string }) {
  const { t } = useTranslation();
  const query = useFollowUpQuery(followUpId);
  const { nameOf, mayTalk } = useChildren();
  return (
    <Loaded query={query}>
      {(followUp) => (
        <Page sheet>
          <BackLink href="/talk" label={t('places.talk')} />
          <Stack space={0.25}>
            <Words size="small" colour="soft">
              {[nameOf(followUp.studentId), ...(followUp.courseTitle ? [followUp.courseTitle] : [])].join(
                ' · ',
              )}
            </Words>
            <Heading level={1}>{followUp.title}</Heading>
          </Stack>
          <Now followUp={followUp} />
          <Register followUp={followUp} />
          <Steps followUp={followUp} />
          <WaysOn followUp={followUp} />
          <Before followUp={followUp} />
          <HandOver key={`hand:${followUp.id}`} followUp={followUp} />
          <Checklist followUp={followUp} />
          <Stack>
            <Heading level={2}>{t('followUp.story')}</Heading>
            <Entries entries={followUp.entries} />
          </Stack>
          {mayTalk(followUp.studentId) ? (
            <Going key={followUp.id} followUp={followUp} />
          ) : (
            <Words size="small" colour="soft">
              {t('followUp.lookOnly')}
            </Words>
          )}
        </Page>
      )}
    </Loaded>
  );
}

const own = StyleSheet.create({
  people: { flexDirection: 'row', alignItems: 'center', gap: 6 },
});
