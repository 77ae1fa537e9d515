import { useTranslation } from 'react-i18next';
import type { AnswerOf, sourceRoutes } from '@cadro/contract';
import { useFormat } from '../household';
import { Heading, Stack, WayOn, Words } from '../ui';
import { useSourcesQuery } from './api';

export type SourceSeen = AnswerOf<typeof sourceRoutes.sources>['sources'][number];

/** How old what a source has told is, or since when it cannot be read. */
export function SourceAge({ source: { name, kind, readAt, failingSince } }: { source: SourceSeen }) {
  const { t } = useTranslation();
  const format = useFormat();
  const when = readAt ? format.dayTime(readAt) : t('shell.neverRead');
  const said = failingSince
    ? t('shell.sourceDown', { source: name, since: format.dayTime(failingSince), when })
    : t(kind === 'own' ? 'own.source' : 'settings.read', { when });
  return (
    <Words size="small" colour={failingSince ? 'plum' : 'soft'}>
      {said}
    </Words>
  );
}

/** Where the records come from and how old they are; more of each on a page of their own. */
export function SourceStates() {
  const { t } = useTranslation();
  const { data } = useSourcesQuery();
  return (
    <Stack>
      <Heading level={2}>{t('settings.sources')}</Heading>
      {(data?.sources ?? []).map((source) => (
        <Stack key={source.id} space={0.25}>
          <Words bold>{source.name}</Words>
          <SourceAge source={source} />
          {source.problems.length > 0 ? (
            <Words size="small" colour="plum">
              {t('settings.problems', { count: source.problems.length })}
            </Words>
          ) : null}
        </Stack>
      ))}
      <WayOn label={t('sources.toSources')} href="/settings/sources" />
    </Stack>
  );
}
