import { useEffect, useState } from 'react';
import type { Href } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { placeOfAlert, type Alert, type AlertStateName } from '@cadro/contract';
import { leadFirst } from '@cadro/core';
import { useChildren, useFormat } from '../household';
import { Action, BackLink, Heading, LinkAction, Loaded, Page, Quietly, Row, Stack, Words } from '../ui';
import { useAlertQuery, usePutAlertsMutation } from './api';
import { deliveryWords } from './deliveryWords';
import { LessOfThis } from './LessOfThis';
import { useAlertWords, useTold } from './useTold';

/** Each reason: what is so, since when and by whom, and which rule asked for it. */
function Reasons({ alert }: { alert: Alert }) {
  const { t } = useTranslation();
  const { reasons } = useTold()(alert, alert.leading);
  return (
    <Stack space={2}>
      {reasons.map(({ id, headline, facts, rule, source }) => (
        <Stack key={id} space={0.5}>
          {reasons.length > 1 ? <Heading level={3}>{headline}</Heading> : null}
          {facts.map((fact) => (
            <Words key={fact}>{fact}</Words>
          ))}
          <Words size="small" colour="soft">{`${rule} ${t('alerts.from', { source })}`}</Words>
        </Stack>
      ))}
    </Stack>
  );
}

/** Done, or kept as read after all; what was pressed last can be undone. */
function Standing({ alert }: { alert: Alert }) {
  const { t } = useTranslation();
  const [put, { isLoading }] = usePutAlertsMutation();
  const [before, setBefore] = useState<AlertStateName | null>(null);
  const to = async (state: AlertStateName) => {
    const was = alert.state;
    const answer = await put({ ids: [alert.id], state });
    if (!('error' in answer)) setBefore(state === 'done' ? was : null);
  };
  if (alert.state === 'done') {
    return (
      <Row space={2} wrap>
        <Words live>{t('alerts.undone')}</Words>
        <Quietly
          label={before ? t('alerts.undo') : t('alerts.keep')}
          onPress={() => void to(before ?? 'read')}
        />
      </Row>
    );
  }
  return <Action label={t('alerts.done')} busy={isLoading} onPress={() => void to('done')} />;
}

function Whole({ alert }: { alert: Alert }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const words = useAlertWords();
  const told = useTold()(alert, alert.leading);
  const place = placeOfAlert(alert, leadFirst(alert.reasons, alert.leading)) as Href; // an address of the app, by the contract
  const child = alert.studentId ? nameOf(alert.studentId) : null;
  return (
    <Page sheet>
      <BackLink href="/alerts" label={t('alerts.title')} />
      <Stack space={0.25}>
        <Words size="small">{[child, words.kinds[alert.kind]].filter(Boolean).join(' · ')}</Words>
        <Heading level={1}>{told.headline}</Heading>
        <Words size="small" colour="soft">
          {[
            t('alerts.raised', { when: format.recent(alert.raisedAt) }),
            ...(alert.newsAt === alert.raisedAt
              ? []
              : [t('alerts.news', { when: format.recent(alert.newsAt) })]),
          ].join(' · ')}
        </Words>
        {alert.overAt ? (
          <Words size="small" colour="teal">
            {t('alerts.over', { when: format.recent(alert.overAt) })}
          </Words>
        ) : null}
      </Stack>
      <Stack>
        <Heading level={2}>{t('alerts.why')}</Heading>
        <Reasons alert={alert} />
      </Stack>
      <Stack>
        <Heading level={2}>{t('alerts.next')}</Heading>
        <Words>{told.next}</Words>
        <Row space={2} wrap>
          <LinkAction main label={t('alerts.go')} href={place} />
          <Standing alert={alert} />
        </Row>
      </Stack>
      <LessOfThis alert={alert} />
      <Stack space={0.25}>
        <Heading level={2}>{t('alerts.sent')}</Heading>
        {alert.deliveries.length === 0 ? <Words colour="soft">{t('alerts.inApp')}</Words> : null}
        {alert.deliveries.map((delivery) => (
          <Words
            key={delivery.id}
            colour={delivery.state === 'failed' || delivery.state === 'bounced' ? 'plum' : 'soft'}
          >
            {deliveryWords(t, format, delivery)}
          </Words>
        ))}
      </Stack>
    </Page>
  );
}

/** One alert: what, why, what next. Looking at it is reading it. */
export function AlertView({ alertId }: { alertId: string }) {
  const query = useAlertQuery(alertId);
  const [put] = usePutAlertsMutation();
  const state = query.data?.state;
  useEffect(() => {
    if (state === 'open') void put({ ids: [alertId], state: 'read' });
  }, [alertId, put, state]);
  return <Loaded query={query}>{(alert) => <Whole alert={alert} />}</Loaded>;
}
