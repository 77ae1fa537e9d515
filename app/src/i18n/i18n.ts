import i18next from 'i18next';
import { use } from 'react';
import { initReactI18next } from 'react-i18next';
import { languages, type Language } from '@cadro/contract';
import type { Catalogue } from './catalogue';

declare module 'i18next' {
  interface CustomTypeOptions {
    defaultNS: 'translation';
    resources: { translation: Catalogue };
    returnNull: false;
  }
}

export const languageNames: Record<Language, string> = { en: 'English', es: 'Español' };

/** A language's texts are fetched when it is spoken first: what the first places say, and what is said beyond them. */
const files = {
  en: {
    first: async () => (await import('./en/firstEn')).firstEn,
    rest: async () => (await import('./en/restEn')).restEn,
  },
  es: {
    first: async () => (await import('./es/firstEs')).firstEs,
    rest: async () => (await import('./es/restEs')).restEs,
  },
};

/** Sets the texts up in one language; React redraws when it is changed. @param texts of it, and of others at hand. */
export function startTexts(language: Language, texts: Partial<Record<Language, Partial<Catalogue>>>): void {
  void i18next.use(initReactI18next).init({
    lng: language,
    fallbackLng: false, // every language has every text
    supportedLngs: [...languages],
    resources: Object.fromEntries(
      Object.entries(texts).map(([name, translation]) => [name, { translation }]),
    ),
    interpolation: { escapeValue: false }, // React escapes what it draws
    initAsync: false,
    showSupportNotice: false,
  });
}

/** Begins with what one language says first. */
export const fetchTexts = async (language: Language): Promise<void> =>
  startTexts(language, { [language]: await files[language].first() });

const whole = new Map<Language, Promise<void>>();

async function addTexts(language: Language): Promise<void> {
  const texts = await Promise.all([files[language].first(), files[language].rest()]);
  for (const each of texts) i18next.addResourceBundle(language, 'translation', each, true, true);
}

/** All that a language says. */
export function everyText(language = i18next.language as Language): Promise<void> {
  const coming = whole.get(language) ?? addTexts(language);
  whole.set(language, coming);
  coming.catch(() => whole.delete(language));
  return coming;
}

/** Speaks another language from here on. */
export async function speak(language: Language): Promise<void> {
  if (language === i18next.language) return;
  await everyText(language);
  await i18next.changeLanguage(language);
}

let every: Promise<unknown> | undefined;

/** For what is written in any language, whichever one reads in: waits until all are there. */
export function useEveryLanguage(): void {
  every ??= Promise.all(languages.map(everyText));
  use(every);
}

export { i18next };
