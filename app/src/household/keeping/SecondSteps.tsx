import type { startRegistration } from '@simplewebauthn/browser';
import { useState } from 'react';
import { Image, StyleSheet } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Safety } from '@cadro/contract';
import { Action, Field, Heading, Stack, Words } from '../../ui';
import {
  useAddPasskeyMutation,
  useAskForNewPasskeyMutation,
  useDropOneTimeMutation,
  useDropPasskeyMutation,
  useOneTimeWorksMutation,
  useStartOneTimeMutation,
} from './api';
import { Trouble } from '../door/Trouble';
import { passkeysWork } from '../door/usePasskey';
import { useFormat } from '../useFormat';
import { AskPassword } from './AskPassword';

type RegistrationOptions = Parameters<typeof startRegistration>[0]['optionsJSON'];

function AddPasskey() {
  const { t } = useTranslation();
  const [name, setName] = useState(t('safety.passkeyUsual'));
  const [failed, setFailed] = useState(false);
  const [ask, asked] = useAskForNewPasskeyMutation();
  const [add, added] = useAddPasskeyMutation();
  const go = async (password: string): Promise<boolean> => {
    setFailed(false);
    const begun = await ask(password);
    if (!begun.data) return false;
    try {
      // What the server's package has made is what the browser's takes.
      const options = begun.data.options as RegistrationOptions;
      const { startRegistration } = await import('@simplewebauthn/browser');
      const answer = await startRegistration({ optionsJSON: options });
      return !('error' in (await add({ answer, name: name.trim() })));
    } catch {
      setFailed(true); // the device was not confirmed, or has this key already
      return false;
    }
  };
  return (
    <Stack space={0.5}>
      <AskPassword
        label={t('safety.addPasskey')}
        go={t('safety.addPasskey')}
        busy={asked.isLoading || added.isLoading}
        error={asked.error ?? added.error}
        ready={name.trim() !== ''}
        fields={<Field label={t('safety.passkeyName')} value={name} onChange={setName} longest={80} />}
        onGo={go}
      />
      <Trouble words={failed ? t('signIn.passkeyFailed') : null} />
    </Stack>
  );
}

function Passkey({ passkey }: { passkey: Safety['passkeys'][number] }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [drop, { isLoading, error }] = useDropPasskeyMutation();
  const { id, name, madeAt, usedAt } = passkey;
  const facts = [
    t('safety.passkeyMade', { when: format.date(madeAt) }),
    ...(usedAt ? [t('safety.passkeyUsed', { when: format.date(usedAt) })] : []),
  ];
  return (
    <Stack space={0.5}>
      <Words bold>{name}</Words>
      <Words size="small" colour="soft">
        {facts.join(' · ')}
      </Words>
      <AskPassword
        label={t('safety.dropPasskey', { name })}
        go={t('safety.dropPasskey', { name })}
        busy={isLoading}
        error={error}
        onGo={async (password) => !('error' in (await drop({ passkeyId: id, password })))}
      />
    </Stack>
  );
}

/** The secret as a picture and in letters, and the first code that shows that it has arrived. */
function SetUpCodes({ secret, picture }: { secret: string; picture: string }) {
  const { t } = useTranslation();
  const [code, setCode] = useState('');
  const [works, { isLoading, error, data }] = useOneTimeWorksMutation();
  const [noted, setNoted] = useState(false);
  if (noted) return null;
  if (data)
    return (
      <Stack>
        <Heading level={3}>{t('safety.recovery')}</Heading>
        <Words colour="soft">{t('safety.recoveryLead')}</Words>
        {data.recoveryCodes.map((each) => (
          <Words key={each} bold>
            {each}
          </Words>
        ))}
        <Action main label={t('safety.recoveryDone')} onPress={() => setNoted(true)} />
      </Stack>
    );
  return (
    <Stack>
      <Words>{t('safety.scan')}</Words>
      <Image
        role="img"
        aria-label={t('safety.picture')}
        source={{ uri: `data:image/svg+xml;base64,${btoa(picture)}` }}
        style={own.picture}
      />
      <Words>{`${t('safety.key')}: ${secret.replace(/(.{4})(?=.)/g, '$1 ')}`}</Words>
      <Field label={t('safety.firstCode')} value={code} onChange={setCode} kind="oneTime" longest={12} />
      <Trouble error={error} />
      <Action
        main
        label={t('safety.works')}
        busy={isLoading}
        disabled={code.trim().length < 6}
        onPress={() => void works(code.trim())}
      />
    </Stack>
  );
}

function OneTime({ safety }: { safety: Safety }) {
  const { t } = useTranslation();
  const [begin, begun] = useStartOneTimeMutation();
  const [stop, stopped] = useDropOneTimeMutation();
  return (
    <Stack>
      <Heading level={3}>{t('safety.oneTime')}</Heading>
      <Words colour="soft">
        {safety.oneTime ? t('safety.oneTimeOn', { count: safety.recoveryLeft }) : t('safety.oneTimeOff')}
      </Words>
      {begun.data ? <SetUpCodes {...begun.data} /> : null}
      {safety.oneTime ? (
        <AskPassword
          label={t('safety.stopOneTime')}
          go={t('safety.stopOneTime')}
          busy={stopped.isLoading}
          error={stopped.error}
          onGo={async (password) => {
            begun.reset();
            return !('error' in (await stop(password)));
          }}
        />
      ) : begun.data ? null : (
        <AskPassword
          label={t('safety.startOneTime')}
          go={t('safety.startOneTime')}
          busy={begun.isLoading}
          error={begun.error}
          onGo={async (password) => !('error' in (await begin(password)))}
        />
      )}
    </Stack>
  );
}

/** What shows who one is besides the password. */
export function SecondSteps({ safety }: { safety: Safety }) {
  const { t } = useTranslation();
  return (
    <Stack space={2}>
      <Stack space={0.5}>
        <Heading level={2}>{t('safety.second')}</Heading>
        <Words colour="soft">{t('safety.secondLead')}</Words>
      </Stack>
      {passkeysWork() ? (
        <Stack>
          <Heading level={3}>{t('safety.passkeys')}</Heading>
          <Words colour="soft">{t('safety.passkeysLead')}</Words>
          {safety.passkeys.length === 0 ? <Words>{t('safety.noPasskeys')}</Words> : null}
          {safety.passkeys.map((passkey) => (
            <Passkey key={passkey.id} passkey={passkey} />
          ))}
          <AddPasskey />
        </Stack>
      ) : null}
      <OneTime safety={safety} />
    </Stack>
  );
}

const own = StyleSheet.create({ picture: { width: 200, height: 200 } });
