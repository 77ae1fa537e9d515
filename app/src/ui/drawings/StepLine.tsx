import { Fragment, useState } from 'react';
import { StyleSheet, View, type GestureResponderEvent } from 'react-native';
import Svg, { Circle, Line, Path, Text as SvgText } from 'react-native-svg';
import { font, touch } from '../theme/palette';
import { usePalette } from '../theme/Theme';
import { useEased } from './useEased';

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

interface Place {
  readonly x: (ms: number) => number;
  readonly y: (value: number) => number;
  readonly width: number;
}
const small = { fontSize: 14, fontFamily: font };

/** Fine lines across with their names. */
function Across({ marks, place }: { marks: StepLineProps['marks']; place: Place }) {
  const { line, soft } = usePalette();
  const { y, width } = place;
  return marks.map(({ at, label }) => (
    <Fragment key={label}>
      <Line x1={edge} x2={width - named} y1={y(at)} y2={y(at)} stroke={line} strokeWidth={1} />
      <SvgText x={edge} y={y(at) - 4} {...small} fill={soft}>
        {label}
      </SvgText>
    </Fragment>
  ));
}

/** The greatest and, where there is room, the least figure, at the right. */
function Extremes({ points, place, write }: Pick<StepLineProps, 'points' | 'write'> & { place: Place }) {
  const { ink } = usePalette();
  const values = points.map(({ value }) => value);
  const { y, width } = place;
  const [least, greatest] = [Math.min(...values), Math.max(...values)];
  return [greatest, ...(y(least) - y(greatest) > apart ? [least] : [])].map((value) => (
    <SvgText key={value} x={width - named + 4} y={y(value) + 5} {...small} fill={ink}>
      {write(value)}
    </SvgText>
  ));
}

function Chosen({ point, place: { x, y, width } }: { point: StepPoint; place: Place }) {
  const { soft, ink, sheet } = usePalette();
  const [at = null, up = null] = useEased([x(point.atMs), y(point.value)], width);
  if (at === null || up === null) return null;
  return (
    <>
      <Line
        x1={at}
        x2={at}
        y1={top}
        y2={height - bottom}
        stroke={soft}
        strokeWidth={1}
        strokeDasharray="3 3"
      />
      <Circle cx={at} cy={up} r={6} fill={ink} stroke={sheet} strokeWidth={2} />
    </>
  );
}

/** Which key goes to which step, before the ends are minded. */
const steps = (chosen: number, last: number): Readonly<Record<string, number>> => ({
  ArrowLeft: chosen - 1,
  ArrowDown: chosen - 1,
  ArrowRight: chosen + 1,
  ArrowUp: chosen + 1,
  Home: 0,
  End: last,
});

/** The way of a finger or a key to a step. */
function useChoosing({ points, chosen, onChoose }: StepLineProps, x: Place['x']) {
  const onKeyDown = (event: { key: string; preventDefault: () => void }) => {
    const to = steps(chosen, points.length - 1)[event.key];
    if (to === undefined) return;
    event.preventDefault();
    onChoose(Math.max(0, Math.min(points.length - 1, to)));
  };
  const away = (index: number, from: number) => Math.abs(x(points[index]?.atMs ?? 0) - from);
  const atFinger = ({ nativeEvent: { locationX } }: GestureResponderEvent) =>
    onChoose(
      points.reduce((best, _, index) => (away(index, locationX) < away(best, locationX) ? index : best), 0),
    );
  return {
    onKeyDown,
    onStartShouldSetResponder: () => true,
    onResponderGrant: atFinger,
    onResponderMove: atFinger,
  };
}

/**
 * What moved a figure: a stepped line over time. A finger or the arrow keys choose a step; the words for it stand
 * below, where the page puts them.
 */
export function StepLine(props: StepLineProps) {
  const { label, points, fromMs, toMs, marks, write, chosen } = props;
  const { ink } = usePalette();
  const [width, setWidth] = useState(0);
  const [low, high] = heights(points);
  const x = (ms: number) => edge + ((ms - fromMs) / Math.max(1, toMs - fromMs)) * (width - 2 * edge - named);
  const y = (value: number) => top + ((high - value) / (high - low)) * (height - top - bottom);
  const place = { x, y, width };
  const current = points[chosen];
  const line = { stroke: ink, strokeWidth: 2.5, fill: 'none', strokeLinejoin: 'round' } as const;
  return (
    <View
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={1}
      aria-valuemax={points.length}
      aria-valuenow={chosen + 1}
      aria-valuetext={current?.words ?? ''}
      {...useChoosing(props, x)}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      style={own.drawing}
    >
      {width > 0 && current ? (
        // The drawing takes no touches itself, so that where one lands is told from the whole.
        <Svg width={width} height={height} pointerEvents="none">
          <Across marks={marks.filter(({ at }) => at > low && at < high)} place={place} />
          <Extremes points={points} place={place} write={write} />
          <Path d={pathOf(points, x, y, width - edge - named)} {...line} />
          <Chosen point={current} place={place} />
        </Svg>
      ) : null}
    </View>
  );
}

const own = StyleSheet.create({
  drawing: { height, minHeight: touch, width: '100%' },
});
