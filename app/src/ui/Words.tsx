import type { ReactNode } from 'react';
import { Text, type StyleProp, type TextStyle } from 'react-native';
import { font, sizes, type Palette } from './theme/palette';
import { usePalette } from './theme/Theme';
import { useTitle } from './titled';

type Colour = Extract<keyof Palette, 'ink' | 'soft' | 'plum' | 'teal' | 'paper'>;

export interface WordsProps {
  readonly children: ReactNode;
  readonly size?: keyof typeof sizes;
  readonly colour?: Colour;
  readonly bold?: boolean;
  readonly lines?: number;
  readonly style?: StyleProp<TextStyle>;
  /** To be copied. */
  readonly selectable?: boolean;
  /** Told by a screen reader when it changes. */
  readonly live?: boolean;
}

/** All text goes through here: one typeface, four sizes, figures of one width. */
export function Words({
  children,
  size = 'text',
  colour = 'ink',
  bold,
  lines,
  style,
  live,
  selectable,
}: WordsProps) {
  const palette = usePalette();
  return (
    <Text
      {...(lines ? { numberOfLines: lines } : {})}
      {...(selectable ? { selectable } : {})}
      {...(live ? { 'aria-live': 'polite' as const } : {})}
      style={[
        {
          fontFamily: font,
          color: palette[colour],
          fontWeight: bold ? '600' : '400',
          fontVariant: ['tabular-nums'],
        },
        sizes[size],
        style,
      ]}
    >
      {children}
    </Text>
  );
}

export function Heading({
  level,
  children,
  size,
  style,
}: {
  level: 1 | 2 | 3;
  children: ReactNode;
  size?: keyof typeof sizes;
  style?: StyleProp<TextStyle>;
}) {
  const palette = usePalette();
  useTitle(level === 1 ? children : null);
  const usual = level === 1 ? 'title' : level === 2 ? 'matter' : 'text';
  return (
    <Text
      role="heading"
      aria-level={level}
      style={[
        { fontFamily: font, color: palette.ink, fontWeight: '600', fontVariant: ['tabular-nums'] },
        sizes[size ?? usual],
        style,
      ]}
    >
      {children}
    </Text>
  );
}
