import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { FollowUpSummary } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import { Heading, List, Loaded, Row, RowLink, Stack, styles, Words } from '../ui';
import { useFollowUpsQuery } from './api';
import { ownerWords } from './ownerWords';
import { absenceOutcome, outcomeWords } from './words';

function FollowUpRow({ followUp, selected }: { followUp: FollowUpSummary; selected: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const outcome = outcomeWords(t, format, followUp.outcome);
  const state = outcome
    ? t('talk.outcome', outcome)
    : (absenceOutcome(t, followUp.outcome) ??
      (followUp.step === 'settled'
        ? t('talk.outcomeGuardian')
        : `${t(`steps.${followUp.step}`)} · ${followUp.lookAgainOn ? t('talk.lookAgain', { when: format.relative(followUp.lookAgainOn) }) : t('talk.noLook')}`));
  const whose = followUp.step === 'settled' ? [] : [ownerWords(t, followUp, nameOf(followUp.studentId))];
  const context = [
    nameOf(followUp.studentId),
    ...(followUp.courseTitle ? [followUp.courseTitle] : []),
    ...whose,
  ].join(' · ');
  return (
    <RowLink
      href={`/talk/follow-ups/${followUp.id}`}
      label={`${followUp.title}. ${context}. ${state}`}
      selected={selected}
    >
      <Words size="small" colour="soft">
        {context}
      </Words>
      <Words size="matter" bold>
        {followUp.title}
      </Words>
      <Words size="small" colour={outcome ? 'teal' : 'soft'} bold={outcome !== null}>
        {state}
      </Words>
    </RowLink>
  );
}

/** What is in hand, soonest date first; then what has settled. */
export function FollowUpList({ selected }: { selected?: string }) {
  const query = useFollowUpsQuery();
  return (
    <Loaded query={query}>
      {({ followUps }) => <Listed followUps={followUps} {...(selected ? { selected } : {})} />}
    </Loaded>
  );
}

function Listed({ followUps, selected }: { followUps: readonly FollowUpSummary[]; selected?: string }) {
  const { t } = useTranslation();
  const { shown } = useChildren();
  const ids = new Set(shown.map(({ id }) => id));
  const own = followUps.filter(({ studentId }) => ids.has(studentId));
  const open = own.filter(({ step }) => step !== 'settled');
  const settled = own.filter(({ step }) => step === 'settled');
  const rows = (list: readonly FollowUpSummary[]) => (
    <List>
      {list.map((each) => (
        <FollowUpRow key={each.id} followUp={each} selected={each.id === selected} />
      ))}
    </List>
  );
  return (
    <Stack space={2}>
      <View style={styles.gap4}>
        <Row wrap style={styles.apartBase}>
          <Heading level={2}>{t('talk.followUps')}</Heading>
          {open.length === 0 ? (
            <Words size="small" colour="soft">
              {t('talk.none')}
            </Words>
          ) : null}
        </Row>
        {open.length === 0 ? null : rows(open)}
      </View>
      {settled.length > 0 ? (
        <View style={styles.gap4}>
          <Heading level={2}>{t('talk.settled')}</Heading>
          {rows(settled)}
        </View>
      ) : null}
    </Stack>
  );
}
