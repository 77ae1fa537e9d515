import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Line, Path, Text as SvgText } from 'react-native-svg';
import type { Fan } from '@cadro/core';
import { font } from './palette';
import { usePalette } from './Theme';

const [height, left, bottom, top, right] = [180, 40, 26, 10, 12];

/** The rest of a term as a fan: most draws in the light band, half in the darker one, the middle as a line. */
export function FanChart({
  fan,
  target,
  label,
  figureOf,
  dayOf,
}: {
  fan: Fan;
  target: number | null;
  /** Said by a screen reader in place of the drawing. */
  label: string;
  figureOf: (value: number) => string;
  dayOf: (at: string) => string;
}) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const { steps } = fan;
  const values = [...steps.flatMap(({ low, high }) => [low, high]), ...(target === null ? [] : [target])];
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const room = Math.max(most - least, 1e-6) * 0.1;
  const [from, to] = [Date.parse(steps[0]?.at ?? ''), Date.parse(steps.at(-1)?.at ?? '')];
  const x = (at: string) =>
    left + ((Date.parse(at) - from) / Math.max(to - from, 1)) * (width - left - right);
  const y = (value: number) =>
    top + ((most + room - value) / (most - least + 2 * room)) * (height - top - bottom);
  const band = (lower: 'low' | 'lowMiddle', upper: 'high' | 'highMiddle') =>
    `M${steps.map((step) => `${x(step.at)},${y(step[upper])}`).join('L')}L${[...steps]
      .reverse()
      .map((step) => `${x(step.at)},${y(step[lower])}`)
      .join('L')}Z`;
  const words = { fontSize: 14, fontFamily: font, fill: palette.soft } as const;
  return (
    <View
      role="img"
      aria-label={label}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      style={{ height }}
    >
      {width > 0 ? (
        <Svg width={width} height={height}>
          <Path d={band('low', 'high')} fill={palette.sand} />
          <Path d={band('lowMiddle', 'highMiddle')} fill={palette.tealBand} />
          <Path
            d={`M${steps.map(({ at, middle }) => `${x(at)},${y(middle)}`).join('L')}`}
            stroke={palette.ink}
            strokeWidth={2}
            fill="none"
          />
          {target === null ? null : (
            <Line
              x1={left}
              x2={width - right}
              y1={y(target)}
              y2={y(target)}
              stroke={palette.plum}
              strokeWidth={2}
              strokeDasharray="5 4"
            />
          )}
          {[least, most].map((value) => (
            <SvgText key={value} x={left - 6} y={y(value) + 5} textAnchor="end" {...words}>
              {figureOf(value)}
            </SvgText>
          ))}
          <SvgText x={left} y={height - 6} {...words}>
            {dayOf(steps[0]?.at ?? '')}
          </SvgText>
          <SvgText x={width - right} y={height - 6} textAnchor="end" {...words}>
            {dayOf(steps.at(-1)?.at ?? '')}
          </SvgText>
        </Svg>
      ) : null}
    </View>
  );
}
