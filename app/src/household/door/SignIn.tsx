import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { isServerProblem } from '../../i18n';
import { Action, Field, LedTo, LinkAction, Stack, TickLine, WayOn } from '../../ui';
import { useMeQuery } from '../api';
import { useSignInMutation } from './api';
import { DoorFrame } from './DoorFrame';
import { SecondStep } from './SecondStep';
import { Trouble } from './Trouble';
import { passkeysWork, usePasskey } from './usePasskey';
import { EmailField } from './EmailField';
import { wantedPlace } from './wantedPlace';

/** Address and password; what is missing is said before anything is asked. */
export function SignInForm({ onSecond }: { onSecond: () => void }) {
  const { t } = useTranslation();
  const [signIn, { isLoading, error }] = useSignInMutation();
  const passkey = usePasskey();
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const [keep, setKeep] = useState(false);
  const [incomplete, setIncomplete] = useState(false);
  const submit = async () => {
    const missing = email.trim() === '' || password === '';
    setIncomplete(missing);
    if (missing) return;
    const answer = await signIn({ email: email.trim(), password, keep });
    if (isServerProblem(answer.error) && answer.error.problem?.code === 'second-step') onSecond();
  };
  return (
    <Stack space={2}>
      <EmailField
        label={t('signIn.email')}
        value={email}
        onChange={setEmail}
        onSubmit={() => void submit()}
      />
      <Field
        label={t('signIn.password')}
        value={password}
        onChange={setPassword}
        kind="password"
        onSubmit={() => void submit()}
      />
      <TickLine label={t('signIn.keep')} on={keep} onChange={setKeep} />
      <Trouble
        error={error}
        words={
          incomplete ? t('signIn.incomplete') : passkey.failed && !error ? t('signIn.passkeyFailed') : null
        }
      />
      <Action label={t('signIn.go')} onPress={() => void submit()} main busy={isLoading} />
      {passkeysWork() ? (
        <Action label={t('signIn.passkey')} busy={passkey.busy} onPress={() => void passkey.use(keep)} />
      ) : null}
      <WayOn label={t('signIn.forgotten')} href="/forgotten" />
    </Stack>
  );
}

export function SignIn() {
  const { t } = useTranslation();
  const { data: me } = useMeQuery();
  const { to } = useLocalSearchParams<{ to?: string }>();
  const [second, setSecond] = useState(false);
  if (me) return <LedTo to={wantedPlace(to)} />;
  if (second) return <SecondStep onBack={() => setSecond(false)} />;
  return (
    <DoorFrame title={t('signIn.title')} lead={t('signIn.lead')}>
      <SignInForm onSecond={() => setSecond(true)} />
      <LinkAction label={t('signIn.newHere')} href="/new" />
    </DoorFrame>
  );
}
