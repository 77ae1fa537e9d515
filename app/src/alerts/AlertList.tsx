import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { alertKinds, alertStates, type Alert, type AlertKind, type AlertStateName } from '@cadro/contract';
import { MarkOf, useChildren, useFormat } from '../household';
import { useAppSelector } from '../store';
import {
  Choice,
  Field,
  Heading,
  IconAction,
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
import { TwoWeeks, useTwoWeeks } from './TwoWeeks';
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
      <Row style={styles.top}>
        {alert.studentId ? <MarkOf studentId={alert.studentId} /> : null}
        <View style={styles.fill}>
          <Words bold={alert.state === 'open'}>{told.headline}</Words>
          {state ? (
            <Words size="small" colour="soft">
              {state}
            </Words>
          ) : null}
        </View>
        <Words size="small" colour="soft">
          {relative}
        </Words>
      </Row>
    </RowLink>
  );
}

/** On which days of the last two weeks these came. */
function Lately({ alerts }: { alerts: readonly Alert[] }) {
  const { t } = useTranslation();
  const { days, count } = useTwoWeeks(alerts.map(({ newsAt }) => newsAt));
  return count > 0 ? <TwoWeeks days={days} said={t('alerts.lately', { count })} /> : null;
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
      <Lately alerts={alerts} />
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
  const clear = () => {
    setKind('all');
    setQ('');
  };
  return { filter, narrowed, state, setState, kind, setKind, q, setQ, clear };
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
  // What is folded narrows nothing down.
  const fold = () => {
    if (finding) sought.clear();
    setFinding(!finding);
  };
  const query = useAlertsQuery({ ...filter, ...(selected ? { beside: selected } : {}) });
  const counts = query.data?.counts;
  return (
    <Page>
      <Stack space={0.25}>
        <Row style={styles.apart}>
          <Heading level={1}>{t('alerts.title')}</Heading>
          <Row space={1}>
            <IconAction icon="search" label={t('alerts.find')} onPress={fold} open={finding} />
            <WayOn label={t('alerts.toRules')} href="/alerts/rules" />
          </Row>
        </Row>
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
