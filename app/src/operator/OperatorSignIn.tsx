import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { OneTimeField, Trouble } from '../household';
import { isServerProblem } from '../i18n';
import { Action, Field, Heading, Page, Stack, Words } from '../ui';
import { useOperatorSignInMutation } from './api';

/** The way in for those who run this Cadro; it is nobody else's. */
export function OperatorSignIn() {
  const { t } = useTranslation();
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const [code, setCode] = useState('');
  const [signIn, { isLoading, error }] = useOperatorSignInMutation();
  const go = () => void signIn({ name: name.trim(), password, code: code.trim() });
  const wrong = isServerProblem(error) && error.problem?.code === 'wrong-credentials';
  return (
    <Page>
      <Stack space={0.25}>
        <Heading level={1}>{t('operator.signIn')}</Heading>
        <Words colour="soft">{t('operator.signInLead')}</Words>
      </Stack>
      <Field label={t('operator.name')} value={name} onChange={setName} kind="name" onSubmit={go} />
      <Field
        label={t('signIn.password')}
        value={password}
        onChange={setPassword}
        kind="password"
        onSubmit={go}
      />
      <OneTimeField hint={t('operator.codeOfApp')} value={code} onChange={setCode} onSubmit={go} />
      <Trouble error={error} words={wrong ? t('operator.wrong') : null} />
      <Action
        main
        label={t('signIn.go')}
        busy={isLoading}
        disabled={[name, password, code].some((text) => text.trim() === '')}
        onPress={go}
      />
    </Page>
  );
}
