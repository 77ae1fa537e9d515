import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { languages, type Language } from '@cadro/contract';
import { endPushing, OnThisDevice } from '../device';
import { Unconfirmed, useChangeMeMutation, useMeQuery, useSelf, useSignOutMutation } from '../household';
import { isServerProblem, languageNames } from '../i18n';
import { DemoClock, SourceStates } from '../sources';
import {
  api,
  languageChosen,
  pushedHere,
  themeChosen,
  themes,
  useAppDispatch,
  useAppSelector,
} from '../store';
import { Choice, Heading, LinkAction, Page, Quietly, Row, Stack, styles, useWide, WayOn, Words } from '../ui';

function Children() {
  const { t } = useTranslation();
  const { data: me } = useMeQuery();
  return (
    <Stack>
      <Heading level={2}>{t('settings.children')}</Heading>
      {(me?.children ?? []).map(({ id, givenName, familyName, schoolName, role }) => (
        <Stack key={id} space={0.25}>
          <Words bold>{`${givenName} ${familyName}`}</Words>
          <Words size="small" colour="soft">{`${schoolName} · ${t(`settings.roles.${role}`)}`}</Words>
        </Stack>
      ))}
      {useSelf() ? null : <LinkAction label={t('link.title')} href="/link" />}
    </Stack>
  );
}

/** The language, also of what is sent; and the theme, of this browser alone. */
function Looks() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const prefs = useAppSelector((state) => state.prefs);
  const [changeMe] = useChangeMeMutation();
  const speak = (language: Language) => {
    dispatch(languageChosen(language));
    void changeMe({ language });
  };
  return (
    <>
      <Stack>
        <Heading level={2}>{t('settings.language')}</Heading>
        <Choice
          label={t('settings.language')}
          options={languages.map((value) => ({ value, label: languageNames[value] }))}
          value={prefs.language}
          onChange={speak}
        />
      </Stack>
      <Stack>
        <Heading level={2}>{t('settings.theme')}</Heading>
        <Choice
          label={t('settings.theme')}
          options={themes.map((value) => ({ value, label: t(`settings.${value}`) }))}
          value={prefs.theme}
          onChange={(value) => dispatch(themeChosen(value))}
        />
      </Stack>
    </>
  );
}

/** What one is told, and how. */
function Told() {
  const { t } = useTranslation();
  return (
    <Stack>
      <Heading level={2}>{t('alerts.title')}</Heading>
      <Row wrap style={styles.spread}>
        <WayOn label={t('alerts.toRules')} href="/alerts/rules" />
        <WayOn label={t('alerts.toDelivery')} href="/alerts/delivery" />
      </Row>
    </Stack>
  );
}

export function Settings() {
  const { t } = useTranslation();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const { data: me } = useMeQuery();
  const [signOut] = useSignOutMutation();
  const wide = useWide();
  const self = useSelf();
  const [stillIn, setStillIn] = useState(false);
  const leave = async () => {
    // Whoever has the device next is told nothing.
    dispatch(pushedHere(null));
    await endPushing().catch(() => undefined);
    const { error } = await signOut();
    // The session goes on where nobody has heard that it should not.
    if (isServerProblem(error) && error.status === 0) return setStillIn(true);
    dispatch(api.util.resetApiState());
    router.replace('/sign-in');
  };
  return (
    <Page>
      <Heading level={1}>{t('settings.title')}</Heading>
      {/* Above everything that loads later: what moves under a finger is missed by it. */}
      <Row style={styles.apart}>
        <Words style={styles.shrink}>{me?.name ?? ''}</Words>
        <Quietly label={t('settings.out')} onPress={() => void leave()} />
      </Row>
      {stillIn ? <Words live>{t('device.stillIn')}</Words> : null}
      <Unconfirmed />
      <Row wrap style={styles.spread}>
        <WayOn label={t('safety.toSafety')} href="/settings/safety" />
        <WayOn label={t('people.toPeople')} href="/settings/people" />
        <WayOn label={t('data.toData')} href="/settings/data" />
      </Row>
      {self ? null : <Told />}
      <Children />
      <SourceStates />
      <Looks />
      <OnThisDevice />
      {wide ? null : <DemoClock />}
    </Page>
  );
}
