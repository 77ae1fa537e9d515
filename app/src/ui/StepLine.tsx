import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Line, Path, Text as SvgText } from 'react-native-svg';
import { font, touch } from './palette';
import { usePalette } from './Theme';

export interface StepPoint {
  readonly key: string;
  readonly atMs: number;
  /** The figure from here on. */
  readonly value: number;
  /** A new line begins here: the figure of another term. */
  readonly begins?: boolean;
  /** Said when the step is reached by keyboard. */
  readonly words: string;
}

interface StepLineProps {
  readonly label: string;
  readonly points: readonly StepPoint[];
  readonly fromMs: number;
  readonly toMs: number;
  /** Fine lines across, such as letter steps. */
  readonly marks: readonly { readonly at: number; readonly label: string }[];
  /** How a figure is written. */
  readonly write: (value: number) => string;
  readonly chosen: number;
  readonly onChoose: (index: number) => void;
}

const height = 148;
const edge = 12;
const top = 14;
const bottom = 22;
/** Room at the right for the greatest and the least figure. */
const named = 44;
/** Room for two texts one above the other. */
const apart = 18;

/** The least and greatest of what is drawn, with air; never flat. */
function heights(points: readonly StepPoint[]): [number, number] {
  const values = points.map(({ value }) => value);
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const air = Math.max((high - low) * 0.15, Math.abs(high) * 0.01, 0.05);
  return [low - air, high + air];
}

function pathOf(
  points: readonly StepPoint[],
  x: (ms: number) => number,
  y: (value: number) => number,
  end: number,
) {
  return points
    .map((point, index) => {
      const next = points[index + 1];
      const across = next && !next.begins ? x(next.atMs) : next ? x(next.atMs) - 3 : end;
      const start = index === 0 || point.begins ? 'M' : 'L';
      return `${start}${x(point.atMs)} ${y(point.value)}H${across}`;
    })
    .join('');
}

/**
 * What moved a figure: a stepped line over time. A finger or the arrow keys choose a step; the words for it stand
 * below, where the page puts them.
 */
export function StepLine({ label, points, fromMs, toMs, marks, write, chosen, onChoose }: StepLineProps) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const [low, high] = heights(points);
  const x = (ms: number) => edge + ((ms - fromMs) / Math.max(1, toMs - fromMs)) * (width - 2 * edge - named);
  const y = (value: number) => top + ((high - value) / (high - low)) * (height - top - bottom);
  const nearest = (locationX: number) =>
    points.reduce(
      (best, point, index) =>
        Math.abs(x(point.atMs) - locationX) < Math.abs(x(points[best]?.atMs ?? 0) - locationX) ? index : best,
      0,
    );
  const keys: Readonly<Record<string, number>> = {
    ArrowLeft: chosen - 1,
    ArrowDown: chosen - 1,
    ArrowRight: chosen + 1,
    ArrowUp: chosen + 1,
    Home: 0,
    End: points.length - 1,
  };
  const onKeyDown = (event: { key: string; preventDefault: () => void }) => {
    const to = keys[event.key];
    if (to === undefined) return;
    event.preventDefault();
    onChoose(Math.max(0, Math.min(points.length - 1, to)));
  };
  const current = points[chosen];
  const values = points.map(({ value }) => value);
  const [least, greatest] = [Math.min(...values), Math.max(...values)];
  const small = { fontSize: 14, fontFamily: font };
  return (
    <View
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={1}
      aria-valuemax={points.length}
      aria-valuenow={chosen + 1}
      aria-valuetext={current?.words ?? ''}
      {...{ onKeyDown }}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      onStartShouldSetResponder={() => true}
      onResponderGrant={({ nativeEvent }) => onChoose(nearest(nativeEvent.locationX))}
      onResponderMove={({ nativeEvent }) => onChoose(nearest(nativeEvent.locationX))}
      style={{ height, minHeight: touch, width: '100%' }}
    >
      {width > 0 && current ? (
        // The drawing takes no touches itself, so that where one lands is told from the whole.
        <Svg width={width} height={height} pointerEvents="none">
          {marks
            .filter(({ at }) => at > low && at < high)
            .map(({ at, label: name }) => (
              <Line
                key={name}
                x1={edge}
                x2={width - named}
                y1={y(at)}
                y2={y(at)}
                stroke={palette.line}
                strokeWidth={1}
              />
            ))}
          {marks
            .filter(({ at }) => at > low && at < high)
            .map(({ at, label: name }) => (
              <SvgText key={`${name}-word`} x={edge} y={y(at) - 4} {...small} fill={palette.soft}>
                {name}
              </SvgText>
            ))}
          <SvgText x={width - named + 4} y={y(greatest) + 5} {...small} fill={palette.ink}>
            {write(greatest)}
          </SvgText>
          {y(least) - y(greatest) > apart ? (
            <SvgText x={width - named + 4} y={y(least) + 5} {...small} fill={palette.ink}>
              {write(least)}
            </SvgText>
          ) : null}
          <Path
            d={pathOf(points, x, y, width - edge - named)}
            stroke={palette.ink}
            strokeWidth={2.5}
            fill="none"
            strokeLinejoin="round"
          />
          <Line
            x1={x(current.atMs)}
            x2={x(current.atMs)}
            y1={top}
            y2={height - bottom}
            stroke={palette.soft}
            strokeWidth={1}
            strokeDasharray="3 3"
          />
          <Circle
            cx={x(current.atMs)}
            cy={y(current.value)}
            r={6}
            fill={palette.ink}
            stroke={palette.sheet}
            strokeWidth={2}
          />
        </Svg>
      ) : null}
    </View>
  );
}
