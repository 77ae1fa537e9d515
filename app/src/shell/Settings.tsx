import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { languages, type Language } from '@cadro/contract';
import { endPushing, OnThisDevice } from '../device';
import { Unconfirmed, useChangeMeMutation, useMeQuery, useSelf, useSignOutMutation } from '../household';
import { isServerProblem, languageNames } from '../i18n';
import { DemoClock } from '../sources';
import {
  api,
  languageChosen,
  pushedHere,
  themeChosen,
  themes,
  useAppDispatch,
  useAppSelector,
} from '../store';
import { Choice, Heading, Page, Quietly, Row, styles, Unfolding, useWide, WayOn, Words } from '../ui';
import { LinkedChildren } from './LinkedChildren';

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
      <Unfolding label={t('settings.language')} value={languageNames[prefs.language]}>
        <Choice
          label={t('settings.language')}
          options={languages.map((value) => ({ value, label: languageNames[value] }))}
          value={prefs.language}
          onChange={speak}
        />
      </Unfolding>
      <Unfolding label={t('settings.theme')} value={t(`settings.${prefs.theme}`)}>
        <Choice
          label={t('settings.theme')}
          options={themes.map((value) => ({ value, label: t(`settings.${value}`) }))}
          value={prefs.theme}
          onChange={(value) => dispatch(themeChosen(value))}
        />
      </Unfolding>
    </>
  );
}

/** The pages behind this one. */
function Further() {
  const { t } = useTranslation();
  const self = useSelf();
  return (
    <Row wrap style={styles.spread}>
      {self ? null : (
        <>
          <WayOn label={t('alerts.toRules')} href="/alerts/rules" />
          <WayOn label={t('alerts.toDelivery')} href="/alerts/delivery" />
        </>
      )}
      <WayOn label={t('people.toPeople')} href="/settings/people" />
      <WayOn label={t('safety.toSafety')} href="/settings/safety" />
      <WayOn label={t('data.toData')} href="/settings/data" />
    </Row>
  );
}

export function Settings() {
  const { t } = useTranslation();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const { data: me } = useMeQuery();
  const [signOut] = useSignOutMutation();
  const wide = useWide();
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
      <LinkedChildren />
      <Further />
      <View>
        <Looks />
        <OnThisDevice />
      </View>
      {wide ? null : <DemoClock />}
    </Page>
  );
}
