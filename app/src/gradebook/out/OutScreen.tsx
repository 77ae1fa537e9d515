import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { outRoutes, type OutClient } from '@cadro/contract';
import { Trouble, useFormat } from '../../household';
import { addressOf } from '../../store';
import {
  Action,
  BackLink,
  Field,
  Heading,
  List,
  Loaded,
  OutLink,
  Page,
  Quietly,
  Stack,
  Words,
} from '../../ui';
import { useAddOutClientMutation, useDropOutClientMutation, useOutClientsQuery } from '../api';

const files = ['bundle', 'sheets', 'lists'] as const;

function Files() {
  const { t } = useTranslation();
  return (
    <>
      {files.map((file) => (
        <Stack key={file} space={0}>
          <OutLink label={t(`out.files.${file}`)} href={addressOf(outRoutes[file], {})} />
          <Words size="small" colour="soft">
            {t(`out.about.${file}`)}
          </Words>
        </Stack>
      ))}
    </>
  );
}

function Client({ client: { id, name, madeAt, usedAt } }: { client: OutClient }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [drop, { isLoading, error }] = useDropOutClientMutation();
  return (
    <Stack space={0.25}>
      <Words bold>{name}</Words>
      <Words size="small" colour="soft">
        {t(usedAt ? 'out.used' : 'out.unused', {
          made: format.date(madeAt),
          used: usedAt ? format.recent(usedAt) : '',
        })}
      </Words>
      <Trouble error={error} />
      {isLoading ? null : <Quietly label={t('out.revoke')} hint={name} onPress={() => void drop(id)} />}
    </Stack>
  );
}

/** Programs that may read what one sees; a new one's secret is shown once. */
function Clients() {
  const { t } = useTranslation();
  const query = useOutClientsQuery();
  const [name, setName] = useState('');
  const [add, { data: made, isLoading, error }] = useAddOutClientMutation();
  const save = async () => {
    const answer = await add(name.trim());
    if (answer.data) setName('');
  };
  return (
    <Stack>
      <Heading level={2}>{t('out.clients')}</Heading>
      <Words size="small" colour="soft">
        {t('out.clientsLead')}
      </Words>
      <Loaded query={query}>
        {({ clients }) => (
          <List label={t('out.clients')}>
            {clients.map((client) => (
              <Client key={client.id} client={client} />
            ))}
          </List>
        )}
      </Loaded>
      {made ? (
        <Stack space={0.25}>
          <Words bold live>
            {t('out.once')}
          </Words>
          <Words size="small">{t('out.address', { value: made.baseUrl })}</Words>
          <Words size="small">{t('out.id', { value: made.clientId })}</Words>
          <Words size="small">{t('out.secret', { value: made.clientSecret })}</Words>
        </Stack>
      ) : null}
      <Field label={t('out.name')} hint={t('out.nameHint')} value={name} longest={80} onChange={setName} />
      <Trouble error={error} />
      <Action
        label={t('out.add')}
        busy={isLoading}
        disabled={name.trim() === ''}
        onPress={() => void save()}
      />
    </Stack>
  );
}

/** The records on their way elsewhere: as files, or to a program that asks for them. */
export function OutScreen() {
  const { t } = useTranslation();
  return (
    <Page>
      <BackLink href="/settings/data" label={t('data.title')} />
      <Heading level={1}>{t('out.title')}</Heading>
      <Words colour="soft">{t('out.lead')}</Words>
      <Files />
      <Clients />
    </Page>
  );
}
