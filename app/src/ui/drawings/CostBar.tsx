import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Rect } from 'react-native-svg';
import { usePalette } from '../theme/Theme';

/**
 * A category's share of the top figure as a bar: filled as far as it is earned, open where it is lacking. All bars
 * of a course are drawn to one measure, so that the open parts can be compared.
 * @param share the category's share of the whole, 0 to 1. @param fraction how much of it is earned, 0 and above.
 * @param most the greatest share among the categories: that bar is as wide as the room.
 */
export function CostBar({ share, fraction, most }: { share: number; fraction: number; most: number }) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const whole = most > 0 ? (share / most) * width : 0;
  const filled = Math.min(1, Math.max(0, fraction)) * whole;
  return (
    <View aria-hidden style={own.bar} onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}>
      {width > 0 ? (
        <Svg width={width} height={10}>
          <Rect x={0} y={1} width={filled} height={8} fill={palette.ink} />
          <Rect
            x={filled}
            y={1.5}
            width={Math.max(0, whole - filled - 0.5)}
            height={7}
            fill={palette.sand}
            stroke={palette.soft}
            strokeWidth={1}
          />
        </Svg>
      ) : null}
    </View>
  );
}

const own = StyleSheet.create({
  bar: { height: 10 },
});
