import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Action, LinkAction, Stack, WayOn, Words } from '../../ui';
import { useForgottenPasswordMutation, useNewPasswordMutation } from './api';
import { rememberedDoor, useCarried } from './carried';
import { DoorFrame } from './DoorFrame';
import { NewPasswordField } from './NewPasswordField';
import { EmailField } from './EmailField';
import { Trouble } from './Trouble';

/** Asks for a mail; the answer is the same whether there is an account or not. */
export function Forgotten() {
  const { t } = useTranslation();
  const [email, setEmail] = useState(rememberedDoor().email);
  const [ask, { isLoading, error, isSuccess }] = useForgottenPasswordMutation();
  const submit = () => void ask(email.trim());
  return (
    <DoorFrame title={t('door.forgottenTitle')} lead={isSuccess ? undefined : t('door.forgottenLead')}>
      {isSuccess ? (
        <Words live>{t('door.forgottenSent', { email: email.trim() })}</Words>
      ) : (
        <Stack space={2}>
          <EmailField label={t('signIn.email')} value={email} onChange={setEmail} onSubmit={submit} />
          <Trouble error={error} />
          <Action
            main
            label={t('door.forgottenGo')}
            onPress={submit}
            busy={isLoading}
            disabled={!email.includes('@')}
          />
        </Stack>
      )}
      <WayOn label={t('door.toSignIn')} href="/sign-in" />
    </DoorFrame>
  );
}

/** Where the link of that mail leads. */
export function NewPassword() {
  const { t } = useTranslation();
  const token = useCarried();
  const [password, setPassword] = useState('');
  const [save, { isLoading, error, isSuccess }] = useNewPasswordMutation();
  const submit = () => void save({ token: token.padEnd(20, '-'), password });
  if (isSuccess)
    return (
      <DoorFrame title={t('door.newTitle')}>
        <Words live>{t('door.newDone')}</Words>
        <LinkAction main label={t('door.toSignIn')} href="/sign-in" />
      </DoorFrame>
    );
  return (
    <DoorFrame title={t('door.newTitle')} lead={t('door.newLead')}>
      <Stack space={2}>
        <NewPasswordField
          label={t('door.newPassword')}
          value={password}
          onChange={setPassword}
          onSubmit={submit}
        />
        <Trouble error={error} />
        <Action main label={t('door.newGo')} onPress={submit} busy={isLoading} disabled={password === ''} />
        <WayOn label={t('signIn.forgotten')} href="/forgotten" />
      </Stack>
    </DoorFrame>
  );
}
