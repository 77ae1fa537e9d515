import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { AlertSettings } from '@cadro/contract';
import { problemWords } from '../i18n';
import { Action, Field, Stack, Words } from '../ui';
import { useConfirmPhoneMutation, useSendPhoneCodeMutation } from './api';

/** A number that is kept and has not been shown to be theirs: a code goes there, and comes back here. */
export function PhoneProof({ settings }: { settings: AlertSettings }) {
  const { t } = useTranslation();
  const [code, setCode] = useState('');
  const [send, sent] = useSendPhoneCodeMutation();
  const [confirm, confirmed] = useConfirmPhoneMutation();
  const { phone } = settings.delivery;
  if (!settings.textsOffered || phone === null || phone === settings.phoneConfirmed) return null;
  const error = confirmed.error ?? sent.error;
  return (
    <Stack>
      <Words>{t('reach.phoneNot', { phone })}</Words>
      {sent.isSuccess ? (
        <>
          <Field label={t('reach.phoneCode')} value={code} onChange={setCode} kind="oneTime" longest={12} />
          <Action
            main
            label={t('reach.phoneGo')}
            busy={confirmed.isLoading}
            disabled={code.trim().length < 6}
            onPress={() => void confirm(code.trim())}
          />
        </>
      ) : (
        <Action label={t('reach.phoneSend')} busy={sent.isLoading} onPress={() => void send(phone)} />
      )}
      {error ? (
        <Words colour="plum" live>
          {problemWords(t, error)}
        </Words>
      ) : null}
    </Stack>
  );
}
