import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { alertKinds, alertStates, type Alert, type AlertKind, type AlertStateName } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import { useAppSelector } from '../store';
import {
  Choice,
  Field,
  Heading,
  List,
  Loaded,
  OutLink,
  Page,
  Quiet,
  Quietly,
  Row,
  RowLink,
  Stack,
  styles,
  WayOn,
  Words,
} from '../ui';
import { alertsFile, useAlertsQuery, usePutAlertsMutation, type AlertFilter } from './api';
import { MailReturned } from './MailReturned';
import { useAlertWords, useTold } from './useTold';

function AlertRow({ alert, selected }: { alert: Alert; selected: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const words = useAlertWords();
  const told = useTold()(alert, alert.leading);
  const child = alert.studentId ? nameOf(alert.studentId) : '';
  const context = [child, words.kinds[alert.kind]].filter(Boolean).join(' · ');
  const state = alert.overAt
    ? t('alerts.over', { when: format.day(alert.overAt) })
    : alert.silencedUntil
      ? t('alerts.silenced', { date: format.date(alert.silencedUntil) })
      : null;
  const when = format.recent(alert.newsAt);
  const relative = format.relative(alert.newsAt);
  const said = [`${context}: ${told.headline}`, ...(when.startsWith(relative) ? [] : [relative]), when];
  return (
    <RowLink
      href={`/alerts/${alert.id}`}
      label={[...said, ...(state ? [state] : [])].join(', ')}
      selected={selected}
    >
      <Stack space={0.25}>
        <Row style={styles.apart}>
          <Words size="small" style={styles.shrink}>
            <Words size="small" bold>
              {child}
            </Words>
            {child ? ' · ' : ''}
            {words.kinds[alert.kind]}
          </Words>
          <Words size="small" colour="soft">
            {relative}
          </Words>
        </Row>
        <Words bold={alert.state === 'open'}>{told.headline}</Words>
        {state ? (
          <Words size="small" colour="soft">
            {state}
          </Words>
        ) : null}
      </Stack>
    </RowLink>
  );
}

function Rows({
  alerts,
  state,
  selected,
  asked,
}: {
  alerts: readonly Alert[];
  state: AlertStateName;
  selected: string | null;
  asked: boolean;
}) {
  const { t } = useTranslation();
  const [put] = usePutAlertsMutation();
  const [lately, setLately] = useState<string[]>([]);
  const ids = alerts.map(({ id }) => id);
  const readAll = async () => {
    const answer = await put({ ids, state: 'read' });
    if (!('error' in answer)) setLately(ids);
  };
  const undo = async () => {
    await put({ ids: lately, state: 'open' });
    setLately([]);
  };
  return (
    <Stack>
      {lately.length > 0 ? (
        <Row space={2} wrap>
          <Words live>{t('alerts.readNow')}</Words>
          <Quietly label={t('alerts.undo')} onPress={() => void undo()} />
        </Row>
      ) : null}
      {alerts.length === 0 ? (
        <Quiet>{asked ? t('alerts.noneFound') : t(`alerts.none.${state}`)}</Quiet>
      ) : null}
      <List label={t('alerts.title')}>
        {alerts.map((alert) => (
          <AlertRow key={alert.id} alert={alert} selected={alert.id === selected} />
        ))}
      </List>
      {state === 'open' && alerts.length > 1 ? (
        <Quietly label={t('alerts.allRead')} onPress={() => void readAll()} />
      ) : null}
    </Stack>
  );
}

/** What is sought: a state, a kind, words; the child is that of the whole app. */
function useSought() {
  const childId = useAppSelector((state) => state.prefs.childId);
  const { all } = useChildren();
  const [state, setState] = useState<AlertStateName>('open');
  const [kind, setKind] = useState<AlertKind | 'all'>('all');
  const [q, setQ] = useState('');
  const filter: AlertFilter = {
    state,
    ...(kind === 'all' ? {} : { kind }),
    ...(childId && all.some(({ id }) => id === childId) ? { studentId: childId } : {}),
    ...(q.trim() ? { q: q.trim() } : {}),
  };
  const narrowed = Object.keys(filter).length > 1;
  return { filter, narrowed, state, setState, kind, setKind, q, setQ };
}

/** Search by kind and words. */
function Finding({ sought: { kind, setKind, q, setQ } }: { sought: ReturnType<typeof useSought> }) {
  const { t } = useTranslation();
  const words = useAlertWords();
  return (
    <Stack space={2}>
      <Choice
        label={t('alerts.kind')}
        options={[
          { value: 'all' as const, label: t('alerts.everyKind') },
          ...alertKinds.map((value) => ({ value, label: words.kinds[value] })),
        ]}
        value={kind}
        onChange={setKind}
      />
      <Field label={t('alerts.search')} value={q} onChange={setQ} longest={100} />
    </Stack>
  );
}

/**
 * What has been told: open, read, done; by child and kind; searched.
 * @param selected the alert that is shown beside the list; it stays there while it is read.
 */
export function AlertList({ selected = null }: { selected?: string | null }) {
  const { t } = useTranslation();
  const sought = useSought();
  const { filter, narrowed, state, setState } = sought;
  const [finding, setFinding] = useState(false);
  const query = useAlertsQuery({ ...filter, ...(selected ? { beside: selected } : {}) });
  const counts = query.data?.counts;
  return (
    <Page>
      <Stack space={0.25}>
        <Heading level={1}>{t('alerts.title')}</Heading>
        <MailReturned />
      </Stack>
      <Choice
        label={t('alerts.title')}
        options={alertStates.map((value) => ({
          value,
          // No number before there is one.
          label: counts
            ? t('alerts.stateCount', { state: t(`alerts.states.${value}`), count: counts[value] })
            : t(`alerts.states.${value}`),
        }))}
        value={state}
        onChange={setState}
      />
      <Row space={2} wrap>
        {finding ? null : <Quietly label={t('alerts.find')} onPress={() => setFinding(true)} />}
        <WayOn label={t('alerts.toRules')} href="/alerts/rules" />
      </Row>
      {finding ? <Finding sought={sought} /> : null}
      <Loaded query={query}>
        {({ alerts }) => <Rows alerts={alerts} state={state} selected={selected} asked={narrowed} />}
      </Loaded>
      <Stack space={0}>
        <OutLink label={t('alerts.file')} href={alertsFile(filter)} />
        <Heading level={2}>{t('alerts.settings')}</Heading>
        <WayOn label={t('alerts.toDelivery')} href="/alerts/delivery" />
        <WayOn label={t('alerts.toDigest')} href="/alerts/digest" />
      </Stack>
    </Page>
  );
}
