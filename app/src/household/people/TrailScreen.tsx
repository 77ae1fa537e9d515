import { useTranslation } from 'react-i18next';
import type { TrailEntry } from '@cadro/contract';
import { BackLink, Heading, Loaded, Page, Quiet, Stack, Words } from '../../ui';
import { useChildren } from '../children';
import { useFormat } from '../useFormat';
import { useTrailQuery } from './api';

function Entry({ entry }: { entry: TrailEntry }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { kind, by, unnamed, about, everyone, at } = entry;
  const said = kind === 'restricted' && everyone ? 'restrictedAll' : kind;
  const who = by ?? t(unnamed ? 'people.unnamed' : 'trail.school');
  return (
    <Stack space={0}>
      <Words>{t(`trail.kinds.${said}`, { who, about: about ?? t('people.unnamed') })}</Words>
      <Words size="small" colour="soft">
        {kind === 'record-opened' ? format.day(at) : format.dayTime(at)}
      </Words>
    </Stack>
  );
}

/** Who opened a child's record, by person and day, and what has changed about who sees it. */
export function TrailScreen({ studentId }: { studentId: string }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const query = useTrailQuery(studentId, { refetchOnMountOrArgChange: true });
  return (
    <Loaded query={query}>
      {({ entries }) => (
        <Page>
          <BackLink href="/settings/people" label={t('people.title')} />
          <Stack space={0.25}>
            <Heading level={1}>{t('trail.title', { child: nameOf(studentId) })}</Heading>
            <Words colour="soft">{t('trail.lead')}</Words>
          </Stack>
          {entries.length === 0 ? <Quiet>{t('trail.none')}</Quiet> : null}
          {entries.map((entry, index) => (
            <Entry key={`${entry.at} ${index}`} entry={entry} />
          ))}
        </Page>
      )}
    </Loaded>
  );
}
