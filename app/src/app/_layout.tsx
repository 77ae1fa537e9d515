import { Slot } from 'expo-router';
import { useEffect } from 'react';
import { I18nextProvider } from 'react-i18next';
import { Provider } from 'react-redux';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { i18next, startTexts } from '../i18n';
import { store, useAppSelector } from '../store';
import { Theme } from '../ui';

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
