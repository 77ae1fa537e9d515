import { Line, Path, Text as SvgText } from 'react-native-svg';
import type { Fan } from '@cadro/core';
import { font } from '../theme/palette';
import { usePalette } from '../theme/Theme';
import { Drawing } from './Drawing';
import { useEased } from './useEased';

const [height, left, bottom, top, right] = [124, 40, 22, 8, 12];

interface FanProps {
  readonly fan: Fan;
  readonly target: number | null;
  /** Said by a screen reader in place of the drawing. */
  readonly label: string;
  readonly figureOf: (value: number) => string;
  readonly dayOf: (at: string) => string;
}

/** Where instants and values stand in a drawing of this width. */
function placesOf({ fan: { steps }, target }: FanProps, width: number) {
  const values = [...steps.flatMap(({ low, high }) => [low, high]), ...(target === null ? [] : [target])];
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const room = Math.max(most - least, 1e-6) * 0.1;
  const [first, last] = [steps[0]?.at ?? '', steps.at(-1)?.at ?? ''];
  const [from, to] = [Date.parse(first), Date.parse(last)];
  const x = (at: string) =>
    left + ((Date.parse(at) - from) / Math.max(to - from, 1)) * (width - left - right);
  const y = (value: number) =>
    top + ((most + room - value) / (most - least + 2 * room)) * (height - top - bottom);
  return { x, y, least, most, first, last };
}
type Places = ReturnType<typeof placesOf>;

const edges = ['low', 'lowMiddle', 'middle', 'highMiddle', 'high'] as const;

/** The two bands, the middle and what one aims at: all of it moves together. */
function Bands({
  fan: { steps },
  target,
  places: { x, y },
  width,
}: Pick<FanProps, 'fan' | 'target'> & { places: Places; width: number }) {
  const palette = usePalette();
  const heights = useEased(
    [...edges.flatMap((which) => steps.map((step) => y(step[which]))), target === null ? null : y(target)],
    width,
  );
  const edge = (which: (typeof edges)[number]) =>
    steps.map(({ at }, step) => `${x(at)},${heights[edges.indexOf(which) * steps.length + step] ?? 0}`);
  const band = (high: (typeof edges)[number], low: (typeof edges)[number]) =>
    `M${[...edge(high), ...edge(low).reverse()].join('L')}Z`;
  const aim = heights[edges.length * steps.length] ?? null;
  return (
    <>
      <Path d={band('high', 'low')} fill={palette.sand} stroke={palette.rail} strokeWidth={1} />
      <Path
        d={band('highMiddle', 'lowMiddle')}
        fill={palette.tealBand}
        stroke={palette.teal}
        strokeWidth={1}
      />
      <Path d={`M${edge('middle').join('L')}`} stroke={palette.ink} strokeWidth={2} fill="none" />
      {aim === null ? null : (
        <Line
          x1={left}
          x2={width - right}
          y1={aim}
          y2={aim}
          stroke={palette.plum}
          strokeWidth={2}
          strokeDasharray="5 4"
        />
      )}
    </>
  );
}

/** The least and the greatest figure at the left, the first and the last day below. */
function Ends({ places, width, figureOf, dayOf }: { places: Places; width: number } & FanProps) {
  const { soft } = usePalette();
  const { y, least, most, first, last } = places;
  const words = { fontSize: 14, fontFamily: font, fill: soft } as const;
  return (
    <>
      {[least, most].map((value) => (
        <SvgText key={value} x={left - 6} y={y(value) + 5} textAnchor="end" {...words}>
          {figureOf(value)}
        </SvgText>
      ))}
      <SvgText x={left} y={height - 6} {...words}>
        {dayOf(first)}
      </SvgText>
      <SvgText x={width - right} y={height - 6} textAnchor="end" {...words}>
        {dayOf(last)}
      </SvgText>
    </>
  );
}

/** The rest of a term as a fan: most draws in the light band, half in the darker one, the middle as a line. */
export function FanChart(props: FanProps) {
  const { fan, target, label } = props;
  return (
    <Drawing label={label} height={height}>
      {(width) => {
        const places = placesOf(props, width);
        return (
          <>
            <Bands {...{ fan, target, places, width }} />
            <Ends {...props} places={places} width={width} />
          </>
        );
      }}
    </Drawing>
  );
}
