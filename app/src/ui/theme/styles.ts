import { StyleSheet } from 'react-native';
import { touch } from './palette';

/** What layouts say again and again, named once. What one part alone needs stands beside it. */
export const styles = StyleSheet.create({
  fill: { flex: 1 },
  fillClose: { flex: 1, gap: 2 },
  /** Gives way, and breaks a word that is longer than its place. */
  shrink: { flexShrink: 1, minWidth: 0 },
  row: { flexDirection: 'row' },
  wrap: { flexWrap: 'wrap' },
  flow: { flexDirection: 'row', flexWrap: 'wrap' },
  spread: { columnGap: 16, rowGap: 0 },
  /** Beside each other on a wide screen with `row`, below each other on a phone. */
  columns: { columnGap: 40, rowGap: 24 },
  columnsFar: { columnGap: 48, rowGap: 24 },
  top: { alignItems: 'flex-start' },
  middle: { alignItems: 'center' },
  base: { alignItems: 'baseline' },
  atEnd: { alignItems: 'flex-end' },
  ownWidth: { alignSelf: 'flex-start' },
  apart: { justifyContent: 'space-between' },
  apartTop: { justifyContent: 'space-between', alignItems: 'flex-start' },
  apartBase: { justifyContent: 'space-between', alignItems: 'baseline' },
  gap4: { gap: 4 },
  gap8: { gap: 8 },
  gap16: { gap: 16 },
  above2: { paddingTop: 2 },
  above8: { paddingTop: 8 },
  above12: { paddingTop: 12 },
  around8: { paddingVertical: 8 },
  around10: { paddingVertical: 10 },
  around12: { paddingVertical: 12 },
  readable: { maxWidth: 720 },
  touchable: { minHeight: touch, paddingVertical: 8, justifyContent: 'center' },
  underlined: { textDecorationLine: 'underline' },
});
