import { Slot, type ErrorBoundaryProps } from 'expo-router';
import { useEffect, useState } from 'react';
import { I18nextProvider } from 'react-i18next';
import { Provider } from 'react-redux';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { i18next, startTexts } from '../i18n';
import { isStale, reloadOnce, store, useAppSelector } from '../store';

import { Failed, Loading, Theme } from '../ui';

startTexts(store.getState().prefs.language);

function Language() {
  const language = useAppSelector((state) => state.prefs.language);
  useEffect(() => {
    void i18next.changeLanguage(language);
    document.documentElement.lang = language;
  }, [language]);
  return null;
}

function Themed() {
  const wish = useAppSelector((state) => state.prefs.theme);
  return (
    <Theme wish={wish}>
      <Language />
      <Slot />
    </Theme>
  );
}

/** A screen that could not be shown: where its code is gone with an old version, the page is loaded anew. */
export function ErrorBoundary({ error, retry }: ErrorBoundaryProps) {
  const [reloads] = useState(() => isStale(error) && reloadOnce());
  return (
    <Provider store={store}>
      <I18nextProvider i18n={i18next}>
        <Theme wish={store.getState().prefs.theme}>
          {reloads ? <Loading /> : <Failed onRetry={() => void retry()} />}
        </Theme>
      </I18nextProvider>
    </Provider>
  );
}

export default function Root() {
  return (
    <Provider store={store}>
      <I18nextProvider i18n={i18next}>
        <SafeAreaProvider>
          <Themed />
        </SafeAreaProvider>
      </I18nextProvider>
    </Provider>
  );
}
