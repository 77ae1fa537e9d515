import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { calendarLayers, languages, type CalendarLayer, type Language } from '@cadro/contract';

export const themes = ['system', 'light', 'dark'] as const;
export type ThemeWish = (typeof themes)[number];

/** What this browser remembers of its user's choices. */
export interface Prefs {
  /** Null: everyone. */
  readonly childId: string | null;
  readonly theme: ThemeWish;
  readonly language: Language;
  /** Layers of the calendar that are left out. */
  readonly hiddenLayers: readonly CalendarLayer[];
}

const storageKey = 'cadro.prefs';

function browserLanguage(): Language {
  const wished = typeof navigator === 'undefined' ? '' : navigator.language.slice(0, 2);
  return languages.find((language) => language === wished) ?? 'en';
}

export function rememberedPrefs(): Prefs {
  const usual: Prefs = { childId: null, theme: 'system', language: browserLanguage(), hiddenLayers: [] };
  try {
    const kept = JSON.parse(localStorage.getItem(storageKey) ?? '{}') as Partial<Prefs>;
    return {
      childId: typeof kept.childId === 'string' ? kept.childId : null,
      theme: themes.find((theme) => theme === kept.theme) ?? usual.theme,
      language: languages.find((language) => language === kept.language) ?? usual.language,
      hiddenLayers: calendarLayers.filter((layer) => kept.hiddenLayers?.includes(layer)),
    };
  } catch {
    return usual; // storage may be closed or spoilt: the choices are only not remembered
  }
}

export function rememberPrefs(prefs: Prefs): void {
  try {
    localStorage.setItem(storageKey, JSON.stringify(prefs));
  } catch {
    // as above
  }
}

export const prefsSlice = createSlice({
  name: 'prefs',
  initialState: rememberedPrefs,
  reducers: {
    childChosen: (prefs, { payload }: PayloadAction<string | null>) => ({ ...prefs, childId: payload }),
    themeChosen: (prefs, { payload }: PayloadAction<ThemeWish>) => ({ ...prefs, theme: payload }),
    layerSwitched: (prefs, { payload }: PayloadAction<CalendarLayer>) => ({
      ...prefs,
      hiddenLayers: prefs.hiddenLayers.includes(payload)
        ? prefs.hiddenLayers.filter((layer) => layer !== payload)
        : [...prefs.hiddenLayers, payload],
    }),
    languageChosen: (prefs, { payload }: PayloadAction<Language>) => ({ ...prefs, language: payload }),
  },
});
export const { childChosen, themeChosen, languageChosen, layerSwitched } = prefsSlice.actions;
