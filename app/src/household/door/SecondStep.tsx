import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Action, Quietly, Stack, Words } from '../../ui';
import { useSecondStepMutation, useSecondStepsQuery } from './api';
import { DoorFrame } from './DoorFrame';
import { OneTimeField } from './OneTimeField';
import { Trouble } from './Trouble';
import { usePasskey } from './usePasskey';

/** After the right password: a one-time code, a recovery code, or a passkey. */
export function SecondStep({ onBack }: { onBack: () => void }) {
  const { t } = useTranslation();
  const { data: ways } = useSecondStepsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [confirm, { isLoading, error }] = useSecondStepMutation();
  const passkey = usePasskey();
  const [code, setCode] = useState('');
  const submit = () => void confirm(code.trim());
  return (
    <DoorFrame title={t('signIn.secondTitle')} lead={t('signIn.secondLead')}>
      <Stack space={2}>
        {ways?.oneTime ? (
          <>
            <OneTimeField hint={t('signIn.secondHint')} value={code} onChange={setCode} onSubmit={submit} />
            <Trouble error={error} />
            <Action
              main
              label={t('signIn.secondGo')}
              onPress={submit}
              busy={isLoading}
              disabled={code.trim().length < 6}
            />
          </>
        ) : null}
        {ways?.passkey ? (
          <Action
            main={!ways.oneTime}
            label={t('signIn.secondPasskey')}
            busy={passkey.busy}
            onPress={() => void passkey.use(false)}
          />
        ) : null}
        {passkey.failed ? (
          <Words colour="plum" live>
            {t('signIn.passkeyFailed')}
          </Words>
        ) : null}
        <Quietly label={t('signIn.startOver')} onPress={onBack} />
      </Stack>
    </DoorFrame>
  );
}
