import Svg, { Line, Rect } from 'react-native-svg';
import type { CalendarEvent } from '@cadro/contract';
import { usePalette } from '../../ui';

/** An absence in one sign, as the day strips draw it: open without a reason, struck explained, half late, dotted trip. */
export function AwaySign({ marks }: { marks: NonNullable<CalendarEvent['marks']> }) {
  const palette = usePalette();
  const frame = { x: 1, y: 1, width: 8, height: 12, fill: 'none', strokeWidth: 2 } as const;
  const { absent, unexplained, trip } = marks;
  return (
    <Svg width={10} height={14} aria-hidden>
      {unexplained > 0 ? (
        <Rect {...frame} stroke={palette.plum} />
      ) : absent > 0 ? (
        <>
          <Rect {...frame} stroke={palette.soft} />
          <Line x1={1} y1={13} x2={9} y2={1} stroke={palette.soft} strokeWidth={2} />
        </>
      ) : trip > 0 ? (
        <Rect {...frame} stroke={palette.soft} strokeDasharray="2 2" />
      ) : (
        <Rect x={0} y={7} width={10} height={7} fill={palette.ink} />
      )}
    </Svg>
  );
}
