import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { useEffect, useState } from 'react';
import { StyleSheet, ScrollView } from 'react-native';
import { useTranslation } from 'react-i18next';
import { languages } from '@cadro/contract';
import { languageNames, problemWords } from '../i18n';
import { languageChosen, useAppDispatch, useAppSelector } from '../store';
import { Action, Choice, Field, Heading, Mark, Row, Stack, themed, Words } from '../ui';
import { useMeQuery, useSignInMutation } from './api';

/** Where one wanted to go before being asked: a place of the app itself, never one elsewhere. */
export const wantedPlace = (to: string | undefined): Href =>
  (to && /^\/(?![/\\])/.test(to) && !to.startsWith('/sign-in') ? to : '/brief') as Href; // an address of the app

/** Address and password; what is missing is said before anything is asked. */
function SignInForm() {
  const { t } = useTranslation();
  const [signIn, { isLoading, error }] = useSignInMutation();
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const [incomplete, setIncomplete] = useState(false);
  const submit = () => {
    const missing = email.trim() === '' || password === '';
    setIncomplete(missing);
    if (!missing) void signIn({ email: email.trim(), password });
  };
  return (
    <Stack space={2}>
      <Field label={t('signIn.email')} value={email} onChange={setEmail} kind="email" onSubmit={submit} />
      <Field
        label={t('signIn.password')}
        value={password}
        onChange={setPassword}
        kind="password"
        onSubmit={submit}
      />
      {error || incomplete ? (
        <Words colour="plum" live>
          {incomplete ? t('signIn.incomplete') : problemWords(t, error)}
        </Words>
      ) : null}
      <Action label={t('signIn.go')} onPress={submit} main busy={isLoading} />
    </Stack>
  );
}

export function SignIn() {
  const { t } = useTranslation();
  const looks = useLooks();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const language = useAppSelector((state) => state.prefs.language);
  const { data: me } = useMeQuery();
  const { to } = useLocalSearchParams<{ to?: string }>();
  useEffect(() => {
    if (me) router.replace(wantedPlace(to));
  }, [me, router, to]);
  return (
    <ScrollView role="main" style={looks.page} contentContainerStyle={own.door}>
      <Stack space={3}>
        <Row space={1.5}>
          <Mark size={36} />
          <Words size="title" bold>
            Cadro
          </Words>
        </Row>
        <Stack>
          <Heading level={1}>{t('signIn.title')}</Heading>
          <Words colour="soft">{t('signIn.lead')}</Words>
        </Stack>
        <Choice
          label={t('signIn.language')}
          options={languages.map((value) => ({ value, label: languageNames[value] }))}
          value={language}
          onChange={(value) => dispatch(languageChosen(value))}
        />
        <SignInForm />
      </Stack>
    </ScrollView>
  );
}

const own = StyleSheet.create({
  door: { padding: 24, paddingTop: 56, maxWidth: 440, width: '100%', alignSelf: 'center' },
});

const useLooks = themed((palette) => ({
  page: { flex: 1, backgroundColor: palette.paper },
}));
