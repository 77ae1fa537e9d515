import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { OperatorSource } from '@cadro/contract';
import { Action, Heading, List, Loaded, Quietly, Stack, Words } from '../ui';
import { AddSource } from './AddSource';
import { useSourceProblemsQuery } from './api';
import { Bundles } from './Bundles';
import { Steering } from './Steering';
import { useOperatorFormat } from './useOperatorFormat';

/** What could not be taken in, and why: never what stands in it. */
function Problems({ sourceId }: { sourceId: string }) {
  const { t } = useTranslation();
  const query = useSourceProblemsQuery(sourceId);
  return (
    <Loaded query={query}>
      {({ problems }) => (
        <List label={t('operator.asideShow')}>
          {problems.map(({ collection, externalId, fault, detail }) => (
            <Words key={`${collection}:${externalId}`} size="small" colour="soft">
              {[
                t('operator.asideLine', {
                  ...{ what: collection, id: externalId, fault: t(`settings.fault.${fault}`) },
                }),
                ...(detail ? [`(${detail})`] : []),
              ].join(' ')}
            </Words>
          ))}
        </List>
      )}
    </Loaded>
  );
}

/** How a school does: what is wrong with it comes first. */
function SourceLine({ source }: { source: OperatorSource }) {
  const { t } = useTranslation();
  const format = useOperatorFormat();
  const [shown, setShown] = useState(false);
  const { id, name, kind, readAt, failingSince, failure, untold, aside, paused } = source;
  const state = failingSince
    ? t('operator.failing', {
        when: format.dayTime(failingSince),
        fault: t(`operator.failure.${failure ?? 'other'}`),
      })
    : readAt
      ? t('operator.read', { when: format.dayTime(readAt) })
      : t('operator.notRead');
  return (
    <Stack space={0.25}>
      <Words bold>{name}</Words>
      <Words size="small" colour={failingSince ? 'plum' : 'soft'}>
        {[
          state,
          ...(paused ? [t('operator.paused')] : []),
          ...untold.map((part) => t(`operator.untold.${part}`)),
          ...(aside > 0 ? [t('operator.aside', { count: aside })] : []),
        ].join(' · ')}
      </Words>
      {aside > 0 && !shown ? (
        <Quietly label={t('operator.asideShow')} hint={name} onPress={() => setShown(true)} />
      ) : null}
      {shown ? <Problems sourceId={id} /> : null}
      {kind === 'bundles' ? <Bundles source={source} /> : <Steering source={source} />}
    </Stack>
  );
}

/** The schools, and the way to add one. */
export function Sources({ sources }: { sources: readonly OperatorSource[] }) {
  const { t } = useTranslation();
  const [adding, setAdding] = useState(false);
  return (
    <Stack>
      <Heading level={2}>{t('operator.sources')}</Heading>
      {sources.length === 0 ? <Words colour="soft">{t('operator.noSources')}</Words> : null}
      <List label={t('operator.sources')}>
        {sources.map((source) => (
          <SourceLine key={source.id} source={source} />
        ))}
      </List>
      {adding ? (
        <AddSource onDone={() => setAdding(false)} />
      ) : (
        <Action label={t('operator.addSource')} onPress={() => setAdding(true)} />
      )}
    </Stack>
  );
}
