import Svg, { Circle, G, Line, Rect } from 'react-native-svg';
import type { DayMark } from '@cadro/contract';
import { usePalette } from '../theme/Theme';

const sizes = {
  usual: { bar: 10, step: 14, height: 22 },
  small: { bar: 6, step: 8, height: 18 },
  tiny: { bar: 4, step: 6, height: 14 },
} as const;

/** What is drawn of a lesson's mark. */
export type Bar = Pick<DayMark, 'period' | 'kind' | 'excused'>;

interface Place {
  readonly x: number;
  readonly bar: number;
  readonly height: number;
}

/** A lesson's mark in its place. */
function Lesson({ mark, place: { x, bar, height } }: { mark: Bar; place: Place }) {
  const palette = usePalette();
  const open = { x, y: 2, width: bar, height: height - 4, fill: 'none', strokeWidth: 2 } as const;
  switch (mark.kind) {
    case 'present':
      return <Rect x={x} y={height - 6} width={bar} height={5} fill={palette.rail} />;
    case 'tardy':
      return <Rect x={x} y={height / 2} width={bar} height={height / 2 - 1} fill={palette.ink} />;
    case 'activity':
      return <Rect {...open} stroke={palette.soft} strokeDasharray="2 2" />;
    case 'closed':
      return <Circle cx={x + bar / 2} cy={height - 3} r={1.5} fill={palette.rail} />;
    case null:
      return (
        <G>
          <Rect {...open} stroke={palette.ink} strokeWidth={1} />
          <Circle
            cx={x + bar / 2}
            cy={height / 2}
            r={bar === sizes.usual.bar ? 2.4 : 1.6}
            fill={palette.ink}
          />
        </G>
      );
    case 'absent':
      return mark.excused ? (
        <G>
          <Rect {...open} stroke={palette.soft} />
          <Line x1={x} x2={x + bar} y1={height - 2} y2={2} stroke={palette.soft} strokeWidth={2} />
        </G>
      ) : (
        <Rect {...open} stroke={palette.plum} />
      );
  }
}

/**
 * A school day as its lessons: low there, tall and open absent, struck explained, half late, dotted on a trip, with a dot
 * inside where nobody has explained the mark.
 * @param of how many lessons the longest day has, so that strips of shorter days are as wide.
 */
export function DayStrip({
  marks,
  label,
  size = 'usual',
  of = 1,
}: {
  marks: readonly Bar[];
  label: string;
  size?: keyof typeof sizes;
  of?: number;
}) {
  const { bar, step, height } = sizes[size];
  const width = Math.max(of, marks.length) * step;
  return (
    <Svg width={width} height={height} role="img" aria-label={label}>
      {marks.map((mark, index) => (
        <Lesson key={mark.period} mark={mark} place={{ x: index * step + 1, bar, height }} />
      ))}
    </Svg>
  );
}
