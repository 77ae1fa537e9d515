import { useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg from 'react-native-svg';

/** A drawing as wide as its place, once that is known. @param label said by a screen reader in its place. */
export function Drawing({
  label,
  height,
  children,
}: {
  label: string;
  height: number;
  children: (width: number) => ReactNode;
}) {
  const [width, setWidth] = useState(0);
  return (
    <View
      role="img"
      aria-label={label}
      style={[own.drawing, { height }]}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
    >
      {width > 0 ? (
        <Svg width={width} height={height}>
          {children(width)}
        </Svg>
      ) : null}
    </View>
  );
}

const own = StyleSheet.create({ drawing: { width: '100%' } });
