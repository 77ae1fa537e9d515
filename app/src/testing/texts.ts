import type { Language } from '@cadro/contract';
import { startTexts as start } from '../i18n';
import type { Catalogue } from '../i18n/catalogue';
import { en } from '../i18n/en/en';
import { es } from '../i18n/es/es';

/** All that is said, without waiting for any of it. */
export const catalogues: Record<Language, Catalogue> = { en, es };

/** Sets the texts up in one language, with every other at hand. */
export const startTexts = (language: Language): void => start(language, catalogues);
