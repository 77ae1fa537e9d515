import { Circle, G, Line, Text as SvgText } from 'react-native-svg';
import { font } from '../theme/palette';
import { usePalette } from '../theme/Theme';
import { Drawing } from './Drawing';

const [height, ground, step, most] = [92, 68, 11, 6];

/** So many things of each day, as dots that stand over its name; from seven on the number is written above. */
export function DotDays({
  days,
  label,
  dayOf,
}: {
  days: readonly { readonly on: string; readonly count: number }[];
  /** Said by a screen reader in place of the drawing. */
  label: string;
  dayOf: (on: string) => string;
}) {
  const { ink, soft } = usePalette();
  const words = { fontSize: 14, fontFamily: font, textAnchor: 'middle' } as const;
  return (
    <Drawing label={label} height={height}>
      {(width) => (
        <>
          <Line x1={0} x2={width} y1={ground} y2={ground} stroke={soft} strokeWidth={1.5} />
          {days.map(({ on, count }, at) => {
            const x = ((at + 0.5) * width) / days.length;
            return (
              <G key={on}>
                {Array.from({ length: Math.min(count, most - 1) }, (_, dot) => (
                  <Circle key={dot} cx={x} cy={ground - 8 - dot * step} r={4} fill={ink} />
                ))}
                {count >= most ? (
                  <SvgText x={x} y={ground - 4 - (most - 1) * step} {...words} fill={ink}>
                    {count}
                  </SvgText>
                ) : null}
                <SvgText x={x} y={height - 8} {...words} fill={soft}>
                  {[...dayOf(on)][0]}
                </SvgText>
              </G>
            );
          })}
        </>
      )}
    </Drawing>
  );
}
