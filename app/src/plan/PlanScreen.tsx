import { useLocalSearchParams, useRouter } from 'expo-router';
import { useRef, useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { StyleSheet, View } from 'react-native';
import type { Plan } from '@cadro/contract';
import { isSettledPlan, loadOfEvenings, missedGain, placedGain } from '@cadro/core';
import { useChildren, useFormat } from '../household';
import { problemWords } from '../i18n';
import {
  Action,
  BackLink,
  Choice,
  EveningBars,
  Heading,
  LinkAction,
  Loaded,
  Quiet,
  Quietly,
  Row,
  Stack,
  styles,
  useWide,
  WaysToKeep,
  WayOn,
  WidePage,
  Words,
} from '../ui';
import { usePlanQuery, useProposeMutation } from './api';
import { Board } from './Board';
import { FreeTime } from './FreeTime';

/** What the plan adds, and what one's own changes to it cost. */
function Price({ plan }: { plan: Plan }) {
  const { t } = useTranslation();
  const format = useFormat();
  const open = plan.tasks.filter(({ doneAt }) => doneAt === null);
  if (open.every(({ evening }) => evening === null))
    return <Words bold>{t('plan.waiting', { count: open.length })}</Words>;
  const { best } = plan;
  const cost = best ? missedGain(best.gain, plan.tasks) : 0;
  const more =
    best === null
      ? ''
      : cost > 0
        ? t('plan.price', { best: format.amount(best.gain), price: format.amount(cost) })
        : t(best.proven ? 'plan.best' : 'plan.unproven');
  return (
    <View aria-live="polite">
      <Row wrap style={[styles.base, own.price]}>
        <Words bold colour="teal">
          {t('plan.gains', { gain: format.amount(placedGain(plan.tasks)) })}
        </Words>
        {more ? <Words size="small">{more}</Words> : null}
      </Row>
    </View>
  );
}

/** The week at a glance: each evening's free time, and how much of it is taken. */
function Load({ plan, name }: { plan: Plan; name: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  const load = loadOfEvenings(plan.evenings, plan.tasks, 7);
  const said = load
    .filter(({ planned }) => planned > 0)
    .map(({ date, planned, free }) => `${format.day(date)}: ${t('plan.used', { used: planned, free })}`);
  return (
    <EveningBars
      evenings={load}
      label={[name, ...said].join('. ')}
      dayOf={format.weekday}
      minutesOf={format.amount}
    />
  );
}

/** The next step is dark: to choose, to have it laid out, or to show it to the child. */
function Steps({ studentId, plan, children }: { studentId: string; plan: Plan; children: ReactNode }) {
  const { t } = useTranslation();
  const { nameOf, mayTalk } = useChildren();
  const [propose, { isLoading, error }] = useProposeMutation();
  const some = plan.tasks.some(({ doneAt }) => doneAt === null);
  const settled = some && isSettledPlan(plan.best, plan.tasks);
  return (
    <>
      <Row wrap space={1.5}>
        {mayTalk(studentId) && some ? (
          <Action
            main={!settled}
            label={t(isLoading ? 'plan.proposing' : 'plan.propose')}
            busy={isLoading}
            onPress={() => void propose(studentId)}
          />
        ) : null}
        {some ? null : <LinkAction main label={t('plan.choose')} href="/work" />}
        <LinkAction
          main={settled}
          label={t('plan.show', { child: nameOf(studentId) })}
          href={`/shown/${studentId}`}
        />
        {children}
      </Row>
      {error ? (
        <Words colour="plum" live>
          {problemWords(t, error)}
        </Words>
      ) : null}
    </>
  );
}

function Evenings({ studentId, plan }: { studentId: string; plan: Plan }) {
  const { t } = useTranslation();
  const { nameOf, mayTalk } = useChildren();
  const open = plan.tasks.filter(({ doneAt }) => doneAt === null);
  const may = mayTalk(studentId);
  const [freeing, setFreeing] = useState(false);
  const wide = useWide();
  const load = useRef<View>(null);
  const nameOfLoad = t('plan.loadOf', { child: nameOf(studentId) });
  const keep = open.length > 0 ? <WaysToKeep name={nameOfLoad} frame={load} /> : null;
  // On a phone the evenings come first.
  const lesser = (
    <>
      {open.length > 0 ? <WayOn label={t('plan.choose')} href="/work" /> : null}
      {may ? (
        <Quietly
          label={t(freeing ? 'plan.patternHide' : 'plan.patternShow')}
          onPress={() => setFreeing(!freeing)}
          open={freeing}
        />
      ) : null}
    </>
  );
  return (
    <Stack space={2}>
      {open.length > 0 ? <Price plan={plan} /> : <Quiet>{t('plan.ask')}</Quiet>}
      {open.length > 0 ? (
        <View style={own.load}>
          <View ref={load}>
            <Load plan={plan} name={nameOfLoad} />
          </View>
          {wide ? keep : null}
        </View>
      ) : null}
      <Steps studentId={studentId} plan={plan}>
        {wide ? lesser : null}
      </Steps>
      {freeing ? <FreeTime studentId={studentId} plan={plan} /> : null}
      <Board studentId={studentId} plan={plan} may={may} freeing={freeing} />
      {wide ? null : (
        <Row wrap space={1.5}>
          {lesser}
          {keep}
        </Row>
      )}
    </Stack>
  );
}

/** A plan for the evenings of one child: what fits, so that it adds most. */
export function PlanScreen() {
  const { t } = useTranslation();
  const router = useRouter();
  const { child } = useLocalSearchParams<{ child?: string }>();
  const { shown } = useChildren();
  // The child switch rules; the address says which of those in sight.
  const whose = shown.find(({ id }) => id === child) ?? shown[0];
  const query = usePlanQuery(whose?.id ?? '', { skip: !whose });
  if (!whose) return <Quiet>{t('plan.ask')}</Quiet>;
  return (
    <WidePage>
      <BackLink href="/work" label={t('plan.back')} />
      <Heading level={1}>{t('plan.title')}</Heading>
      {shown.length > 1 ? (
        <Choice
          label={t('plan.whose')}
          options={shown.map(({ id, givenName }) => ({ value: id, label: givenName }))}
          value={whose.id}
          onChange={(id) => router.setParams({ child: id })}
        />
      ) : null}
      <Loaded query={query}>{(plan) => <Evenings key={whose.id} studentId={whose.id} plan={plan} />}</Loaded>
    </WidePage>
  );
}

const own = StyleSheet.create({ load: { maxWidth: 560 }, price: { columnGap: 8, rowGap: 0 } });
