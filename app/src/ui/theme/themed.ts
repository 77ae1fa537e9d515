import { StyleSheet } from 'react-native';
import { useWide } from './useWide';
import type { Palette } from './palette';
import { usePalette } from './Theme';

/**
 * Named styles that depend on the theme or on the room there is: `const useLooks = themed((palette, wide) => ({ … }))`
 * beside a component, `const looks = useLooks()` in it. Made once for each theme and width.
 */
export function themed<T extends StyleSheet.NamedStyles<T>>(
  make: (palette: Palette, wide: boolean) => T & StyleSheet.NamedStyles<T>,
): () => T {
  const made = new Map<Palette, Map<boolean, T>>();
  return () => {
    const palette = usePalette();
    const wide = useWide();
    const ofPalette = made.get(palette) ?? new Map<boolean, T>();
    made.set(palette, ofPalette);
    const looks = ofPalette.get(wide) ?? StyleSheet.create<T>(make(palette, wide));
    ofPalette.set(wide, looks);
    return looks;
  };
}
