import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Safety } from '@cadro/contract';
import { Heading, Quietly, Stack, Words } from '../../ui';
import { useChangeAddressMutation, useChangePasswordMutation, useKeepAddressMutation } from './api';
import { NewPasswordField } from '../door/NewPasswordField';
import { Unconfirmed } from '../door/Unconfirmed';
import { EmailField } from '../door/EmailField';
import { AskPassword } from './AskPassword';

/** The address: whether it is confirmed, and a change that waits for both sides. */
export function Address({ safety }: { safety: Safety }) {
  const { t } = useTranslation();
  const [email, setEmail] = useState('');
  const [change, { isLoading, error }] = useChangeAddressMutation();
  const [stay] = useKeepAddressMutation();
  const state = (tapped: boolean) => t(tapped ? 'safety.tapped' : 'safety.untapped');
  const waits = safety.change;
  return (
    <Stack>
      <Heading level={2}>{t('safety.address')}</Heading>
      <Stack space={0.25}>
        <Words bold>{safety.email}</Words>
        <Words size="small" colour={safety.confirmed ? 'soft' : 'plum'}>
          {t(safety.confirmed ? 'safety.addressConfirmed' : 'safety.addressNot')}
        </Words>
      </Stack>
      <Unconfirmed />
      {waits ? (
        <Stack space={0.25}>
          <Words bold>{t('safety.addressWaits', { email: waits.email })}</Words>
          {safety.confirmed ? (
            <Words size="small">{t('safety.addressOld', { state: state(waits.oldConfirmed) })}</Words>
          ) : null}
          <Words size="small">{t('safety.addressNew', { state: state(waits.newConfirmed) })}</Words>
          <Quietly label={t('safety.stay')} onPress={() => void stay()} />
        </Stack>
      ) : (
        <AskPassword
          label={t('safety.changeAddress')}
          go={t('safety.save')}
          busy={isLoading}
          error={error}
          ready={email.includes('@')}
          fields={<EmailField label={t('safety.newAddress')} value={email} onChange={setEmail} />}
          onGo={async (password) => !('error' in (await change({ password, email: email.trim() })))}
        />
      )}
    </Stack>
  );
}

export function PasswordPart() {
  const { t } = useTranslation();
  const [next, setNext] = useState('');
  const [change, { isLoading, error, isSuccess }] = useChangePasswordMutation();
  const go = async (password: string) => {
    const answer = await change({ password, next });
    if ('error' in answer) return false;
    setNext('');
    return true;
  };
  return (
    <Stack>
      <Heading level={2}>{t('safety.password')}</Heading>
      <Words colour="soft">{t('safety.passwordLead')}</Words>
      <AskPassword
        label={t('safety.changePassword')}
        go={t('safety.save')}
        busy={isLoading}
        error={error}
        ready={next !== ''}
        fields={<NewPasswordField label={t('safety.next')} value={next} onChange={setNext} />}
        onGo={go}
      />
      {isSuccess ? <Words live>{t('safety.changed')}</Words> : null}
    </Stack>
  );
}
