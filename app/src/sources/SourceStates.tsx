import { useTranslation } from 'react-i18next';
import { useFormat } from '../household';
import { Heading, Stack, Words } from '../ui';
import { useSourcesQuery } from './api';

/** Where the records come from, how old they are, and what could not be taken in. */
export function SourceStates() {
  const { t } = useTranslation();
  const format = useFormat();
  const { data } = useSourcesQuery();
  return (
    <Stack>
      <Heading level={2}>{t('settings.sources')}</Heading>
      {(data?.sources ?? []).map(({ id, name, kind, readAt, failingSince, untold, problems }) => (
        <Stack key={id} space={0.25}>
          <Words bold>{name}</Words>
          <Words size="small" colour={failingSince ? 'plum' : 'soft'}>
            {failingSince
              ? t('shell.sourceDown', {
                  source: name,
                  since: format.dayTime(failingSince),
                  when: readAt ? format.dayTime(readAt) : t('shell.neverRead'),
                })
              : t(kind === 'own' ? 'own.source' : 'settings.read', {
                  when: readAt ? format.dayTime(readAt) : t('shell.neverRead'),
                })}
          </Words>
          {untold.map((part) => (
            <Words key={part} size="small" colour="soft">
              {t(`settings.untold.${part}`)}
            </Words>
          ))}
          {problems.length > 0 ? (
            <Words size="small" colour="plum">
              {t('settings.problems', { count: problems.length })}
            </Words>
          ) : null}
          {problems.slice(0, 5).map(({ collection, externalId, fault, detail }) => (
            <Words
              key={`${collection}:${externalId}`}
              size="small"
              colour="soft"
            >{`${collection} ${externalId ?? ''}: ${t(`settings.fault.${fault}`)}${detail && ` (${detail})`}`}</Words>
          ))}
        </Stack>
      ))}
    </Stack>
  );
}
