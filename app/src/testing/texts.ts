import type { Language } from '@cadro/contract';
import { startTexts as start } from '../i18n';
import type { Catalogue } from '../i18n/catalogue';
import { en } from '../i18n/en/en';
import { es } from '../i18n/es/es';

/** All that is said, without waiting for any of it. */
export const catalogues: Record<Language, Catalogue> = { en, es };

/** Sets the texts up in one language, with every other at hand. */
export const startTexts = (language: Language): void => start(language, catalogues);

type Texts = { readonly [key: string]: string | readonly string[] | Texts };

/** Every text of a catalogue with its key. */
export const everyText = (texts: Texts, path = ''): [string, string][] =>
  Object.entries(texts).flatMap(([key, value]): [string, string][] =>
    typeof value === 'string'
      ? [[path + key, value]]
      : Array.isArray(value)
        ? value.map((text, index) => [`${path}${key}.${index}`, text])
        : everyText(value as Texts, `${path}${key}.`),
  );
