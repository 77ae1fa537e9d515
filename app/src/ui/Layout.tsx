import type { ReactNode } from 'react';
import { StyleSheet, ScrollView, View, type StyleProp, type ViewStyle } from 'react-native';
import { styles } from './theme/styles';
import { themed } from './theme/themed';
import { gap, margin } from './theme/palette';

const made = new Map<number, ViewStyle>();
/** So many gaps between children: a named style, so that one that is given beside it can narrow it. */
function spaced(space: number): ViewStyle {
  const known = made.get(space) ?? StyleSheet.create({ spaced: { gap: space * gap } }).spaced;
  made.set(space, known);
  return known;
}

export function Stack({
  children,
  space = 1,
  style,
}: {
  children: ReactNode;
  space?: number;
  style?: StyleProp<ViewStyle>;
}) {
  return <View style={[spaced(space), style]}>{children}</View>;
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
    <View style={[styles.row, styles.middle, wrap && styles.wrap, spaced(space), style]}>{children}</View>
  );
}

export function Line() {
  const looks = useLooks();
  return <View style={looks.line} />;
}

/** A screen's content: one column of readable width that scrolls by itself. */
export function Page({ children, sheet }: { children: ReactNode; sheet?: boolean }) {
  const looks = useLooks();
  return (
    <ScrollView
      tabIndex={0} // a region that scrolls must be reached by the keyboard
      style={[looks.page, sheet && looks.sheet]}
      contentContainerStyle={[looks.content, looks.column]}
    >
      {children}
    </ScrollView>
  );
}

/** A screen that uses all the room there is; on a phone like any other. */
export function WidePage({ children }: { children: ReactNode }) {
  const looks = useLooks();
  return (
    <ScrollView tabIndex={0} style={looks.page} contentContainerStyle={[looks.content, looks.broad]}>
      {children}
    </ScrollView>
  );
}

/** List and detail side by side on a wide screen; on a phone only the one that is asked for. */
export function Panes({
  list,
  detail,
  third,
  wideList,
}: {
  list: ReactNode;
  detail: ReactNode;
  /** Stands beside both where there is room for it. */
  third?: ReactNode;
  /** The list is the heart; the detail stands beside it. */
  wideList?: boolean;
}) {
  const looks = useLooks();
  return (
    <View style={own.panes}>
      <View style={[looks.list, wideList ? looks.wideList : looks.narrowList]}>{list}</View>
      <View style={[looks.detail, wideList && looks.besideList]}>{detail}</View>
      {third ? <View style={looks.third}>{third}</View> : null}
    </View>
  );
}

const own = StyleSheet.create({
  panes: { flex: 1, flexDirection: 'row' },
});

const useLooks = themed((palette, wide) => ({
  line: { height: 1, backgroundColor: palette.line },
  page: { flex: 1, backgroundColor: palette.paper },
  sheet: wide ? { backgroundColor: palette.sheet } : {},
  content: { padding: margin, paddingTop: wide ? 28 : 8, paddingBottom: 40, gap: (wide ? 2 : 3) * gap },
  column: { maxWidth: 720, width: '100%' },
  broad: { maxWidth: 1440 },
  list: { borderRightWidth: 1, borderColor: palette.line },
  wideList: { flex: 3 },
  narrowList: { width: 440 },
  detail: { flex: 1, backgroundColor: palette.sheet },
  besideList: { flex: 2 },
  third: { width: 340, borderLeftWidth: 1, borderColor: palette.line },
}));
