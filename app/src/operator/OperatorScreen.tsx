import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { OperatorState } from '@cadro/contract';
import { Trouble } from '../household';
import { isServerProblem } from '../i18n';
import { Action, Heading, Loaded, Page, Quiet, Quietly, Stack, Words } from '../ui';
import {
  useLetGoMutation,
  useOperatorSignOutMutation,
  useOperatorStateQuery,
  useRestoreLinkMutation,
} from './api';
import { Children } from './Children';
import { Classes } from './Classes';
import { OperatorSignIn } from './OperatorSignIn';
import { Sources } from './Sources';
import { useOperatorFormat } from './useOperatorFormat';

/** What waits for the school's word: each is answered here. */
function Waiting({ objections, unmet }: Pick<OperatorState, 'objections' | 'unmet'>) {
  const { t } = useTranslation();
  const format = useOperatorFormat();
  const [restore, { error }] = useRestoreLinkMutation();
  if (objections.length + unmet.length === 0) return null;
  return (
    <Stack>
      <Heading level={2}>{t('operator.objections')}</Heading>
      <Trouble error={error} />
      {unmet.map(({ studentId, child, what, course, person }, place) => (
        <Stack key={`${studentId}:${place}`} space={0}>
          <Words bold>
            {t('operator.unmet', {
              child,
              what: course ?? t(`operator.what.${what}`),
              person: person ?? t('operator.someone'),
            })}
          </Words>
          <Words size="small" colour="soft">
            {t('operator.unmetHint', { child })}
          </Words>
        </Stack>
      ))}
      {objections.map(({ studentId, child, personId, person, at }) => (
        <Stack key={`${studentId}:${personId}`} space={0}>
          <Words bold>{t('operator.objection', { child, person })}</Words>
          <Words size="small" colour="soft">
            {format.dayTime(at)}
          </Words>
          <Quietly
            label={t('operator.restore')}
            hint={person}
            onPress={() => void restore({ studentId, personId })}
          />
        </Stack>
      ))}
    </Stack>
  );
}

function Restrictions({ restrictions }: Pick<OperatorState, 'restrictions'>) {
  const { t } = useTranslation();
  const format = useOperatorFormat();
  const [letGo, { error }] = useLetGoMutation();
  if (restrictions.length === 0) return null;
  return (
    <Stack>
      <Heading level={2}>{t('operator.restrictions')}</Heading>
      <Trouble error={error} />
      {restrictions.map(({ id, child, what, course, person, at }) => (
        <Stack key={id} space={0}>
          <Words bold>
            {t('operator.restriction', {
              child,
              what: course ?? t(`operator.what.${what}`),
              person: person ?? t('operator.everybody'),
            })}
          </Words>
          <Words size="small" colour="soft">
            {format.dayTime(at)}
          </Words>
          <Quietly label={t('operator.lift')} hint={child} onPress={() => void letGo(id)} />
        </Stack>
      ))}
    </Stack>
  );
}

/** Addresses that mail does not reach, what waits in the queue, and what takes up room. */
function Upkeep({ state: { bounced, queue, sizes } }: { state: OperatorState }) {
  const { t } = useTranslation();
  const format = useOperatorFormat();
  const megabytes = (bytes: number) => t('operator.megabytes', { size: format.amount(bytes / 1_048_576) });
  return (
    <>
      {bounced.length > 0 ? (
        <Stack space={0.25}>
          <Heading level={2}>{t('operator.bounced')}</Heading>
          {bounced.map(({ address, at }) => (
            <Words key={`${address}:${at}`}>{`${address} · ${format.dayTime(at)}`}</Words>
          ))}
        </Stack>
      ) : null}
      <Stack space={0.25}>
        <Heading level={2}>{t('operator.queue')}</Heading>
        {queue.length === 0 ? <Words colour="soft">{t('operator.queueEmpty')}</Words> : null}
        {queue.map(({ task, waiting, oldest, failed }) => (
          <Words key={task} colour={failed > 0 ? 'plum' : 'ink'}>
            {[
              t('operator.waiting', { task, count: waiting }),
              ...(oldest ? [t('people.since', { when: format.dayTime(oldest) })] : []),
              ...(failed > 0 ? [t('operator.failed', { count: failed })] : []),
            ].join(' · ')}
          </Words>
        ))}
      </Stack>
      <Stack space={0.25}>
        <Heading level={2}>{t('operator.sizes')}</Heading>
        {sizes.map(({ table, rows, bytes }) => (
          <Words key={table} size="small">
            {t('operator.size', { table, rows: format.amount(rows), size: megabytes(bytes) })}
          </Words>
        ))}
      </Stack>
    </>
  );
}

function Place({ state }: { state: OperatorState }) {
  const { t } = useTranslation();
  const [signOut] = useOperatorSignOutMutation();
  const failing = state.sources.filter(({ failingSince }) => failingSince !== null).length;
  const asking = state.sources.flatMap(({ bundles }) => bundles).filter(({ ask }) => ask !== null).length;
  const waiting = failing + asking + state.objections.length + state.unmet.length;
  return (
    <Page>
      <Stack space={0.25}>
        <Heading level={1}>{t('operator.title', { count: waiting })}</Heading>
        <Words colour="soft">{t('operator.lead', { name: state.name })}</Words>
      </Stack>
      <Waiting objections={state.objections} unmet={state.unmet} />
      <Sources sources={state.sources} />
      <Children />
      <Classes />
      <Restrictions restrictions={state.restrictions} />
      <Upkeep state={state} />
      <Action label={t('settings.out')} onPress={() => void signOut()} />
    </Page>
  );
}

/** How often the page asks again while a school or a file of one is being read. */
const whileReadingMs = 2000;

/** The place of those who run this Cadro, where it is switched on. */
export function OperatorScreen() {
  const { t } = useTranslation();
  const [pollingInterval, poll] = useState(0);
  const query = useOperatorStateQuery(undefined, { refetchOnMountOrArgChange: true, pollingInterval });
  const isBusy = (query.data?.sources ?? []).some(
    ({ progress, bundles }) =>
      progress !== null || bundles.some(({ state }) => state === 'waiting' || state === 'reading'),
  );
  useEffect(() => poll(isBusy ? whileReadingMs : 0), [isBusy]);
  const { error } = query;
  if (isServerProblem(error) && error.status === 401) return <OperatorSignIn />;
  if (isServerProblem(error) && error.status === 404)
    return (
      <Page>
        <Quiet>{t('problems.not-found')}</Quiet>
      </Page>
    );
  return <Loaded query={query}>{(state) => <Place state={state} />}</Loaded>;
}
