import { createTheme, ThemeProvider } from '@rneui/themed';
import { configureStore } from '@reduxjs/toolkit';
import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import { Slot } from 'expo-router';
import i18next from 'i18next';
import { I18nextProvider, initReactI18next } from 'react-i18next';
import { Provider } from 'react-redux';
import { SafeAreaProvider } from 'react-native-safe-area-context';

/* The stack and nothing on it: what an app of this kind weighs before it does anything. */
void i18next
  .use(initReactI18next)
  .init({ lng: 'en', resources: { en: { translation: { hello: 'Hello' } } } });
const api = createApi({
  baseQuery: fetchBaseQuery({ baseUrl: '/' }),
  endpoints: (build) => ({ nothing: build.query<unknown, void>({ query: () => 'api/health' }) }),
});
export const { useNothingQuery } = api;
const store = configureStore({
  reducer: { [api.reducerPath]: api.reducer },
  middleware: (usual) => usual().concat(api.middleware),
});

export default function Root() {
  return (
    <Provider store={store}>
      <I18nextProvider i18n={i18next}>
        <SafeAreaProvider>
          <ThemeProvider theme={createTheme({})}>
            <Slot />
          </ThemeProvider>
        </SafeAreaProvider>
      </I18nextProvider>
    </Provider>
  );
}
