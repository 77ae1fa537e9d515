import { createTheme, ThemeProvider } from '@rneui/themed';
import { createContext, useContext, useEffect, useMemo, useSyncExternalStore, type ReactNode } from 'react';
import { Appearance } from 'react-native';
import { dark, font, forced, light, sizes, touch, type Palette } from './palette';

const PaletteContext = createContext<Palette>(light);

export const usePalette = (): Palette => useContext(PaletteContext);

/** The component library in our look: nothing of its own colours or shapes is left. */
function libraryTheme(palette: Palette, mode: 'light' | 'dark') {
  return createTheme({
    mode,
    lightColors: { primary: palette.ink, background: palette.paper, black: palette.ink, error: palette.plum },
    darkColors: { primary: palette.ink, background: palette.paper, black: palette.ink, error: palette.plum },
    components: {
      Button: {
        buttonStyle: { minHeight: touch, borderRadius: 6, paddingHorizontal: 16, paddingVertical: 8 },
        titleStyle: { fontFamily: font, fontWeight: '600', ...sizes.text },
      },
      Input: {
        containerStyle: { paddingHorizontal: 0 },
        inputContainerStyle: {
          borderWidth: 1,
          borderBottomWidth: 1,
          borderColor: palette.soft,
          borderRadius: 6,
          paddingHorizontal: 12,
          backgroundColor: palette.sheet,
        },
        // As narrow as its place, with the ring of the focus around it.
        inputStyle: { fontFamily: font, color: palette.ink, minHeight: touch, minWidth: 0, ...sizes.text },
        errorStyle: { fontFamily: font, color: palette.plum, marginHorizontal: 0, ...sizes.small },
      },
      Skeleton: { animation: 'none', style: { backgroundColor: palette.line, borderRadius: 2 } },
    },
  });
}

/** Whether the device is dark; also where it became so between the first drawing of a page and its first effect. */
const useDeviceScheme = () =>
  useSyncExternalStore(
    (changed) => {
      const heard = Appearance.addChangeListener(changed);
      return () => heard.remove();
    },
    () => Appearance.getColorScheme(),
    () => 'light',
  );

/** Whether the device gives pages its own few colours. */
const useForced = () =>
  useSyncExternalStore(
    (changed) => {
      const query = forcedQuery();
      query?.addEventListener('change', changed);
      return () => query?.removeEventListener('change', changed);
    },
    () => forcedQuery()?.matches ?? false,
    () => false,
  );
const forcedQuery = () => ('matchMedia' in window ? window.matchMedia('(forced-colors: active)') : null);

/** @param wish what this browser's user has chosen. */
export function Theme({ wish, children }: { wish: 'system' | 'light' | 'dark'; children: ReactNode }) {
  const system = useDeviceScheme();
  const mode = wish === 'system' ? (system === 'dark' ? 'dark' : 'light') : wish;
  const palette = mode === 'dark' ? dark : light;
  const drawn = useForced() ? forced : palette;
  const theme = useMemo(() => libraryTheme(palette, mode), [palette, mode]);
  useEffect(() => {
    document.documentElement.style.colorScheme = mode;
    document.body.style.backgroundColor = palette.paper;
  }, [mode, palette]);
  return (
    <PaletteContext.Provider value={drawn}>
      <ThemeProvider theme={theme}>{children}</ThemeProvider>
    </PaletteContext.Provider>
  );
}
