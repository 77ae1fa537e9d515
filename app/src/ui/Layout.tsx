import type { ReactNode } from 'react';
import { ScrollView, useWindowDimensions, View, type StyleProp, type ViewStyle } from 'react-native';
import { gap, margin, wideFrom } from './palette';
import { usePalette } from './Theme';

export const useWide = (): boolean => useWindowDimensions().width >= wideFrom;

export function Stack({
  children,
  space = 1,
  style,
}: {
  children: ReactNode;
  space?: number;
  style?: StyleProp<ViewStyle>;
}) {
  return <View style={[{ gap: space * gap }, style]}>{children}</View>;
}

export function Row({
  children,
  space = 1,
  style,
  wrap,
}: {
  children: ReactNode;
  space?: number;
  style?: StyleProp<ViewStyle>;
  wrap?: boolean;
}) {
  return (
    <View
      style={[
        { flexDirection: 'row', alignItems: 'center', gap: space * gap },
        wrap ? { flexWrap: 'wrap' } : null,
        style,
      ]}
    >
      {children}
    </View>
  );
}

export function Line() {
  const { line } = usePalette();
  return <View style={{ height: 1, backgroundColor: line }} />;
}

/** A screen's content: one column of readable width that scrolls by itself. */
export function Page({ children, sheet }: { children: ReactNode; sheet?: boolean }) {
  const palette = usePalette();
  const wide = useWide();
  return (
    <ScrollView
      tabIndex={0} // a region that scrolls must be reached by the keyboard
      style={{ flex: 1, backgroundColor: sheet && wide ? palette.sheet : palette.paper }}
      contentContainerStyle={{
        padding: margin,
        paddingTop: wide ? 28 : 8,
        paddingBottom: 40,
        gap: 2 * gap,
        maxWidth: 720,
        width: '100%',
      }}
    >
      {children}
    </ScrollView>
  );
}

/** A screen that uses all the room there is; on a phone like any other. */
export function WidePage({ children }: { children: ReactNode }) {
  const palette = usePalette();
  const wide = useWide();
  return (
    <ScrollView
      tabIndex={0}
      style={{ flex: 1, backgroundColor: palette.paper }}
      contentContainerStyle={{
        padding: margin,
        paddingTop: wide ? 28 : 8,
        paddingBottom: 40,
        gap: 2 * gap,
        maxWidth: 1440,
      }}
    >
      {children}
    </ScrollView>
  );
}

/** List and detail side by side on a wide screen; on a phone only the one that is asked for. */
export function Panes({
  list,
  detail,
  wideList,
}: {
  list: ReactNode;
  detail: ReactNode;
  /** The list is the heart; the detail stands beside it. */
  wideList?: boolean;
}) {
  const palette = usePalette();
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      <View
        style={{
          ...(wideList ? { flex: 3 } : { width: 440 }),
          borderRightWidth: 1,
          borderColor: palette.line,
        }}
      >
        {list}
      </View>
      <View style={{ flex: wideList ? 2 : 1, backgroundColor: palette.sheet }}>{detail}</View>
    </View>
  );
}
