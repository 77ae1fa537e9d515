import { Slot, usePathname, type ErrorBoundaryProps } from 'expo-router';
import { Suspense, use, useEffect, useState, type ReactNode } from 'react';
import { I18nextProvider } from 'react-i18next';
import { Provider } from 'react-redux';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { fetchTexts, i18next, speak } from '../i18n';
import { isStale, reloadOnce, store, useAppSelector } from '../store';
import { Failed, Loading, Theme, useFocusKept } from '../ui';

const texts = fetchTexts(store.getState().prefs.language);

function Language() {
  const language = useAppSelector((state) => state.prefs.language);
  useEffect(() => {
    void speak(language);
    document.documentElement.lang = language;
  }, [language]);
  return null;
}

/** Nothing is said before there are words for it. */
function Spoken({ children }: { children: ReactNode }) {
  use(texts);
  return children;
}

function Themed() {
  const wish = useAppSelector((state) => state.prefs.theme);
  useFocusKept(usePathname());
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
          {reloads ? (
            <Loading />
          ) : (
            <Failed onRetry={() => (isStale(error) ? window.location.reload() : void retry())} />
          )}
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
          <Suspense fallback={null}>
            <Spoken>
              <Themed />
            </Spoken>
          </Suspense>
        </SafeAreaProvider>
      </I18nextProvider>
    </Provider>
  );
}
