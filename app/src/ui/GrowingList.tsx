import { useState, type ReactNode } from 'react';
import {
  ScrollView,
  StyleSheet,
  View,
  type NativeScrollEvent,
  type StyleProp,
  type ViewStyle,
} from 'react-native';
import { useTranslation } from 'react-i18next';
import { Quietly } from './controls/Quietly';

/** How many lines stand there at first, and how many come each time. */
const few = 24;
/** How near its end, in heights of the screen, and in lines for whoever goes by keys, a list grows. */
const near = { heights: 2, lines: 8 };

/** How far each list was read, so that on the way back it is as long as it was. */
const lengths = new Map<string, number>();

const isNearEnd = ({ contentOffset, layoutMeasurement, contentSize }: NativeScrollEvent): boolean =>
  contentSize.height - contentOffset.y < (1 + near.heights) * layoutMeasurement.height;

/** Whether an element stands in one of the last lines of its list. */
function isInLastLines(element: unknown, list: unknown): boolean {
  if (!(element instanceof Element && list instanceof Element)) return false;
  const lines = [...list.querySelectorAll('li')];
  const at = lines.findIndex((each) => each.contains(element));
  return at >= lines.length - near.lines;
}

/**
 * A long list that grows as one comes near its end, by scrolling, by the Tab key or by its last button. Its lines stand in
 * the order in which they are seen, and stay.
 * @param name what is remembered of it, by. @param children the lines that stand there by now.
 */
export function GrowingList<T>({
  name,
  items,
  header,
  children,
  style,
}: {
  name: string;
  items: readonly T[];
  header: ReactNode;
  children: (items: readonly T[]) => ReactNode;
  style?: StyleProp<ViewStyle>;
}) {
  const { t } = useTranslation();
  const [length, setLength] = useState(lengths.get(name) ?? few);
  const grow = () => {
    if (length >= items.length) return;
    lengths.set(name, length + few);
    setLength(length + few);
  };
  return (
    <ScrollView
      tabIndex={0}
      style={own.list}
      contentContainerStyle={style}
      scrollEventThrottle={100}
      onScroll={({ nativeEvent }) => isNearEnd(nativeEvent) && grow()}
    >
      {header}
      <View onFocus={({ target, currentTarget }) => isInLastLines(target, currentTarget) && grow()}>
        {children(items.slice(0, length))}
      </View>
      {length < items.length ? (
        <Quietly label={t('shell.showMore', { count: items.length - length })} onPress={grow} />
      ) : null}
    </ScrollView>
  );
}

const own = StyleSheet.create({ list: { flex: 1 } });
