import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import {
  calendarLayers,
  languages,
  meanings,
  type CalendarLayer,
  type Language,
  type Means,
} from '@cadro/contract';

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
  /** What the columns of tables are about, where somebody has corrected it, by the tables' headings. */
  readonly tables: Readonly<Record<string, readonly Means[]>>;
  /** Whose device this is, as one of those who use it has said: where it is theirs alone, copies are kept. */
  readonly device: Device | null;
  /** Whom alerts are pushed to here. */
  readonly pushed: string | null;
  /** Whether single keys lead somewhere; whoever speaks to their computer may not want them to. */
  readonly keys: boolean;
}

export interface Device {
  readonly personId: string;
  /** Theirs alone. */
  readonly own: boolean;
}

/** So many shapes of tables are remembered. */
const mostTables = 40;

/** What of a remembered list of tables is sound. */
const tablesOf = (kept: unknown): Prefs['tables'] =>
  Object.fromEntries(
    Object.entries(typeof kept === 'object' && kept !== null ? kept : {}).flatMap(([shape, means]) =>
      Array.isArray(means) && means.every((each) => meanings.some((known) => known === each))
        ? [[shape, means as readonly Means[]]] // every one of them is known
        : [],
    ),
  );

const deviceOf = (kept: Partial<Device> | null | undefined): Device | null =>
  typeof kept?.personId === 'string' ? { personId: kept.personId, own: kept.own === true } : null;

const storageKey = 'cadro.prefs';

function browserLanguage(): Language {
  const wished = typeof navigator === 'undefined' ? '' : navigator.language.slice(0, 2);
  return languages.find((language) => language === wished) ?? 'en';
}

export function rememberedPrefs(): Prefs {
  const usual: Prefs = {
    childId: null,
    theme: 'system',
    language: browserLanguage(),
    hiddenLayers: [],
    tables: {},
    device: null,
    pushed: null,
    keys: true,
  };
  try {
    const kept = JSON.parse(localStorage.getItem(storageKey) ?? '{}') as Partial<Prefs>;
    return {
      childId: typeof kept.childId === 'string' ? kept.childId : null,
      theme: themes.find((theme) => theme === kept.theme) ?? usual.theme,
      language: languages.find((language) => language === kept.language) ?? usual.language,
      hiddenLayers: calendarLayers.filter((layer) => kept.hiddenLayers?.includes(layer)),
      tables: tablesOf(kept.tables),
      device: deviceOf(kept.device),
      pushed: typeof kept.pushed === 'string' ? kept.pushed : null,
      keys: kept.keys !== false,
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
    tableMeant: (prefs, { payload }: PayloadAction<{ shape: string; means: readonly Means[] }>) => {
      const { [payload.shape]: _before, ...others } = prefs.tables;
      const last = Object.entries(others).slice(1 - mostTables);
      return { ...prefs, tables: { ...Object.fromEntries(last), [payload.shape]: payload.means } };
    },
    pushedHere: (prefs, { payload }: PayloadAction<string | null>) => ({ ...prefs, pushed: payload }),
    keysSwitched: (prefs, { payload }: PayloadAction<boolean>) => ({ ...prefs, keys: payload }),
    deviceSaid: (prefs, { payload }: PayloadAction<Device | null>) => ({ ...prefs, device: payload }),
    languageChosen: (prefs, { payload }: PayloadAction<Language>) => ({ ...prefs, language: payload }),
  },
});
export const {
  childChosen,
  themeChosen,
  languageChosen,
  layerSwitched,
  tableMeant,
  deviceSaid,
  pushedHere,
  keysSwitched,
} = prefsSlice.actions;
