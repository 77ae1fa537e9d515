import { G, Line, Rect, Text as SvgText } from 'react-native-svg';
import type { DayOfYear } from '@cadro/core';
import { font } from '../theme/palette';
import { usePalette } from '../theme/Theme';
import { Drawing } from './Drawing';

const [height, ground, tallest] = [52, 30, 24];

/** A day that was missed in part or whole stands up from the line; open where it is explained. One come late hangs below. */
function Stroke({ day, x, wide }: { day: DayOfYear; x: number; wide: number }) {
  const { ink, plum, soft } = usePalette();
  const tall = Math.max(5, day.missed * tallest);
  return (
    <G>
      {day.missed > 0 ? (
        <Rect
          x={x + 0.5}
          y={ground - tall}
          width={wide - 1}
          height={tall}
          fill={day.unexplained ? plum : 'none'}
          stroke={day.unexplained ? plum : soft}
          strokeWidth={1}
        />
      ) : null}
      {day.late ? <Rect x={x + 0.5} y={ground + 2} width={wide - 1} height={4} fill={ink} /> : null}
    </G>
  );
}

/**
 * The attendance of a year on one line: its school days from left to right, what was missed standing up from it.
 * @param label said by a screen reader in place of the drawing. @param monthOf a month's name, from one of its days.
 */
export function YearLine({
  days,
  label,
  monthOf,
}: {
  days: readonly DayOfYear[];
  label: string;
  monthOf: (on: string) => string;
}) {
  const { soft } = usePalette();
  const months = days.flatMap(({ on }, at) =>
    at === 0 || on.slice(0, 7) !== days[at - 1]?.on.slice(0, 7) ? [{ on, at }] : [],
  );
  return (
    <Drawing label={label} height={height}>
      {(width) => {
        // A few weeks are not drawn as wide as a year.
        const wide = Math.min(8, width / Math.max(1, days.length));
        return (
          <>
            <Line x1={0} x2={wide * days.length} y1={ground} y2={ground} stroke={soft} strokeWidth={1.5} />
            {days.map((day, at) => (
              <Stroke key={day.on} day={day} x={at * wide} wide={wide} />
            ))}
            {months
              .filter(({ at }, place) => place === 0 || (at - (months[place - 1]?.at ?? 0)) * wide > 34)
              .map(({ on, at }) => (
                <SvgText key={on} x={at * wide} y={height - 1} fontSize={14} fontFamily={font} fill={soft}>
                  {monthOf(on)}
                </SvgText>
              ))}
          </>
        );
      }}
    </Drawing>
  );
}
