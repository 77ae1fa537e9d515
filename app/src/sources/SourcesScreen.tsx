import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { OwnSchool } from '@cadro/contract';
import { Trouble, useChildren, useFormat, useMeQuery, useSelf } from '../household';
import {
  Action,
  BackLink,
  Heading,
  LinkAction,
  List,
  Loaded,
  Page,
  Quiet,
  Quietly,
  Row,
  Stack,
  WayOn,
  Words,
} from '../ui';
import {
  useDropOwnSchoolMutation,
  useForgetOwnChildMutation,
  useReadSourceMutation,
  useSourcesQuery,
} from './api';
import { ChangeChild, Exports, useOwnSchools } from './own';
import { SourceAge, type SourceSeen } from './SourceAge';

/** So many records that could not be taken in are shown. */
const shown = 20;

/** What of a source could not be taken in, and why. */
function Problems({ problems }: Pick<SourceSeen, 'problems'>) {
  const { t } = useTranslation();
  if (problems.length === 0) return null;
  return (
    <Stack space={0.25}>
      <Words size="small" colour="plum">
        {t('settings.problems', { count: problems.length })}
      </Words>
      <List label={t('settings.problems', { count: problems.length })}>
        {problems.slice(0, shown).map(({ collection, externalId, fault, detail }) => (
          <Words key={`${collection}:${externalId}`} size="small" colour="soft">
            {t('sources.problem', {
              ...{ what: collection, id: externalId ?? '', fault: t(`settings.fault.${fault}`) },
              detail: detail && ` (${detail})`,
            })}
          </Words>
        ))}
      </List>
    </Stack>
  );
}

/** Asks a school's system once more than it is asked by itself. */
function ReadNow({ source: { id, name, nextAt, paused, coming } }: { source: SourceSeen }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [read, { isSuccess, isLoading, error }] = useReadSourceMutation();
  if (paused) return <Words size="small">{t('sources.paused')}</Words>;
  if (coming !== null)
    return (
      <Words size="small" live>
        {t('sources.coming', { count: coming, of: format.amount(coming) })}
      </Words>
    );
  return (
    <Stack space={0.25}>
      {nextAt ? (
        <Words size="small" colour="soft">
          {t('sources.next', { when: format.recent(nextAt) })}
        </Words>
      ) : null}
      <Trouble error={error} />
      {isSuccess ? (
        <Words size="small" live>
          {t('sources.reading')}
        </Words>
      ) : (
        <Action label={t('sources.readNow')} hint={name} busy={isLoading} onPress={() => void read(id)} />
      )}
    </Stack>
  );
}

/** The end of what a family brought in itself: said what goes before it goes. */
function Remove({ source, school }: { source: SourceSeen; school: OwnSchool | undefined }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const [sure, setSure] = useState(false);
  const [drop, dropping] = useDropOwnSchoolMutation();
  const [forget, forgetting] = useForgetOwnChildMutation();
  const { id, name, kind, studentIds } = source;
  const go = () => void (kind === 'own' ? forget(studentIds[0] ?? '') : drop(id));
  if (kind !== 'own' && !school) return null;
  if (!sure) return <Quietly label={t('sources.remove')} hint={name} onPress={() => setSure(true)} />;
  return (
    <Stack space={0.5}>
      <Words>{t('sources.removeWhat', { names: format.list(studentIds.map(nameOf)) })}</Words>
      <Trouble error={dropping.error ?? forgetting.error} />
      <Row wrap>
        <Action
          label={t('sources.removeYes')}
          hint={name}
          busy={dropping.isLoading || forgetting.isLoading}
          onPress={go}
        />
        <Quietly label={t('sources.removeNo')} onPress={() => setSure(false)} />
      </Row>
    </Stack>
  );
}

function Source({ source, school }: { source: SourceSeen; school: OwnSchool | undefined }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf, mayTalk } = useChildren();
  const { name, kind, studentIds, untold, problems } = source;
  const [child = ''] = studentIds;
  const guards = studentIds.every(mayTalk);
  return (
    <Stack space={0.5}>
      <Heading level={2}>{name}</Heading>
      <Words size="small">
        {t(`sources.kind.${school ? 'exports' : kind}`, { names: format.list(studentIds.map(nameOf)) })}
      </Words>
      <SourceAge source={source} />
      {untold.map((part) => (
        <Words key={part} size="small" colour="soft">
          {t(`settings.untold.${part}`)}
        </Words>
      ))}
      <Problems problems={problems} />
      {kind === 'interface' && guards ? <ReadNow source={source} /> : null}
      {school ? <Exports school={school} /> : null}
      {kind === 'own' && guards ? <ChangeChild studentId={child} name={nameOf(child)} /> : null}
      {kind === 'own' && guards ? (
        <Row wrap space={2}>
          <WayOn label={t('own.addCourseLink')} href={`/courses/${child}/new`} />
          <WayOn label={t('own.tableLink')} href={`/courses/${child}/table`} />
        </Row>
      ) : null}
      {kind !== 'own' && guards
        ? studentIds.map((id) => (
            <Row key={id} wrap space={2}>
              <WayOn label={t('beside.to', { name: nameOf(id) })} href={`/settings/beside/${id}`} />
              <WayOn label={t('sources.codes', { name: nameOf(id) })} href={`/days/attendance/${id}`} />
            </Row>
          ))
        : null}
      {guards ? <Remove {...{ source, school }} /> : null}
    </Stack>
  );
}

/** Where the records come from: what each source is, how old, what is wrong with it, and what can be done about it. */
export function SourcesScreen() {
  const { t } = useTranslation();
  const query = useSourcesQuery();
  const { data: own } = useOwnSchools();
  const { data: me } = useMeQuery();
  const self = useSelf();
  const schools = own?.schools ?? [];
  return (
    <Loaded query={query}>
      {({ sources }) => (
        <Page>
          <BackLink href="/settings" label={t('settings.title')} />
          <Heading level={1}>{t('sources.title')}</Heading>
          <Words colour="soft">{t('sources.lead')}</Words>
          {sources.map((source) => (
            <Source key={source.id} source={source} school={schools.find(({ id }) => id === source.id)} />
          ))}
          {schools
            .filter(({ id }) => !sources.some((source) => source.id === id))
            .map((school) => (
              <Stack key={school.id} space={0.5}>
                <Heading level={2}>{school.name}</Heading>
                <Exports school={school} />
              </Stack>
            ))}
          {sources.length === 0 && schools.length === 0 && me ? <Quiet>{t('sources.none')}</Quiet> : null}
          {self ? null : (
            <>
              <WayOn label={t('mails.to')} href="/settings/mails" />
              <LinkAction label={t('own.newTitle')} href="/own" />
            </>
          )}
        </Page>
      )}
    </Loaded>
  );
}
