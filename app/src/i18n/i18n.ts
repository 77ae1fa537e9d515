import i18next from 'i18next';
import { initReactI18next } from 'react-i18next';
import { languages, type Language } from '@cadro/contract';
import type { Catalogue } from './catalogue';
import { en } from './en/en';
import { es } from './es/es';

declare module 'i18next' {
  interface CustomTypeOptions {
    defaultNS: 'translation';
    resources: { translation: Catalogue };
    returnNull: false;
  }
}

export const catalogues: Record<Language, Catalogue> = { en, es };
export const languageNames: Record<Language, string> = { en: 'English', es: 'Español' };

/** Sets the texts up in one language; React redraws when it is changed. */
export function startTexts(language: Language): void {
  void i18next.use(initReactI18next).init({
    lng: language,
    fallbackLng: 'en',
    supportedLngs: [...languages],
    resources: Object.fromEntries(languages.map((name) => [name, { translation: catalogues[name] }])),
    interpolation: { escapeValue: false }, // React escapes what it draws
    initAsync: false,
    showSupportNotice: false,
  });
}
export { i18next };
