import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Me } from '@cadro/contract';
import { Action, BackLink, Field, Heading, Loaded, OutLink, Page, Stack, WayOn, Words } from '../../ui';
import { useChangeMeMutation, useMeQuery } from '../api';
import { Trouble } from '../door/Trouble';
import { useSelf } from '../children';
import { useFormat } from '../useFormat';
import { exportAddress, useLeaveMutation } from './api';
import { AskPassword } from './AskPassword';
import { Leaving } from './Leaving';

/** How one is called, each name with who sees it. */
function Names({ me }: { me: Me }) {
  const { t } = useTranslation();
  const [name, setName] = useState(me.name);
  const [givenName, setGivenName] = useState(me.givenName);
  const [shownAs, setShownAs] = useState(me.shownAs ?? '');
  const [change, { isLoading, isSuccess, error }] = useChangeMeMutation();
  const shown = shownAs.trim() === '' ? null : shownAs.trim();
  const fields = [
    { field: 'name', value: name, set: setName },
    { field: 'givenName', value: givenName, set: setGivenName },
    { field: 'shownAs', value: shownAs, set: setShownAs },
  ] as const;
  const same = name === me.name && givenName === me.givenName && shown === me.shownAs;
  return (
    <Stack space={1.5}>
      <Heading level={2}>{t('data.names')}</Heading>
      {fields.map(({ field, value, set }) => (
        <Field
          key={field}
          label={t(`data.${field}`)}
          hint={t(`data.${field}Hint`)}
          value={value}
          onChange={set}
          kind="name"
          longest={120}
        />
      ))}
      <Trouble error={error} />
      {same ? (
        isSuccess ? (
          <Words live>{t('data.saved')}</Words>
        ) : null
      ) : (
        <Action
          main
          label={t('data.save')}
          busy={isLoading}
          disabled={name.trim() === '' || givenName.trim() === ''}
          onPress={() => void change({ name, givenName, shownAs: shown })}
        />
      )}
    </Stack>
  );
}

/** How one is reached, with who sees it: nobody does. Each can be changed, or left out, where it is used. */
function Contacts({ me }: { me: Me }) {
  const { t } = useTranslation();
  return (
    <Stack space={0.25}>
      <Heading level={2}>{t('data.contacts')}</Heading>
      <Words>{me.email}</Words>
      <Words size="small" colour="soft">
        {t('data.emailSeen')}
      </Words>
      <WayOn label={t('safety.toSafety')} href="/settings/safety" />
      <Words size="small" colour="soft">
        {t('data.phoneSeen')}
      </Words>
      {useSelf() ? null : <WayOn label={t('alerts.toDelivery')} href="/alerts/delivery" />}
    </Stack>
  );
}

const kept = ['account', 'record', 'written', 'letters', 'trail', 'sessions', 'mail'] as const;

/** What is kept, why, and how long, in plain words. */
function WhatIsKept({ me }: { me: Me }) {
  const { t } = useTranslation();
  const format = useFormat();
  return (
    <Stack>
      <Heading level={2}>{t('data.kept')}</Heading>
      <Words colour="soft">{t('data.keptLead')}</Words>
      {kept.map((what) => (
        <Stack key={what} space={0}>
          <Words bold>{t(`data.what.${what}.what`)}</Words>
          <Words>{t(`data.what.${what}.why`, me.keeps)}</Words>
        </Stack>
      ))}
      {me.agreed ? (
        <Words>{t('data.agreed', { version: me.agreed.version, when: format.date(me.agreed.at) })}</Words>
      ) : null}
    </Stack>
  );
}

/** Everything there is, to take away. */
function TakeAway() {
  const { t } = useTranslation();
  return (
    <Stack>
      <Heading level={2}>{t('data.takeTitle')}</Heading>
      <Words>{t('data.takeLead')}</Words>
      <OutLink label={t('data.take')} href={exportAddress} />
      <WayOn label={t('out.to')} href="/settings/out" />
    </Stack>
  );
}

function Leave({ me }: { me: Me }) {
  const { t } = useTranslation();
  const [leave, { isLoading, error }] = useLeaveMutation();
  return (
    <Stack>
      <Heading level={2}>{t('data.leaveTitle')}</Heading>
      <Words>{t('data.leaveLead')}</Words>
      {me.leavesAt ? (
        <Leaving />
      ) : (
        <AskPassword
          label={t('data.leave')}
          go={t('data.leave')}
          busy={isLoading}
          error={error}
          onGo={async (password) => !('error' in (await leave(password)))}
        />
      )}
    </Stack>
  );
}

/** One's own data: how one is called, what is kept of one, and how it goes. */
export function DataScreen() {
  const { t } = useTranslation();
  const query = useMeQuery();
  return (
    <Loaded query={query}>
      {(me) => (
        <Page>
          <BackLink href="/settings" label={t('settings.title')} />
          <Heading level={1}>{t('data.title')}</Heading>
          <Names me={me} />
          <Contacts me={me} />
          <WhatIsKept me={me} />
          <TakeAway />
          <Leave me={me} />
        </Page>
      )}
    </Loaded>
  );
}
