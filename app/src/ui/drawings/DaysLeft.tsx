import { Line, Rect, Text as SvgText } from 'react-native-svg';
import { font } from '../theme/palette';
import { usePalette } from '../theme/Theme';
import { Drawing } from './Drawing';

const [height, ground, longest] = [44, 22, 21];
/** Room at the right for the words. */
const worded = 116;

/**
 * The days that are left for something: one stroke a day from today to the last, on a line of three weeks, so that lines
 * below each other show what ends first.
 * @param label stands at the end of it, and is said by a screen reader in place of the drawing.
 */
export function DaysLeft({ days, label }: { days: number; label: string }) {
  const { plum, rail, soft, paper } = usePalette();
  const left = Math.min(days, longest);
  return (
    <Drawing label={label} height={height}>
      {(width) => {
        const step = (width - worded) / longest;
        const at = (day: number) => 5 + day * step;
        return (
          <>
            <Line x1={0} x2={at(longest)} y1={ground} y2={ground} stroke={rail} strokeWidth={1} />
            <Line x1={at(0)} x2={at(left)} y1={ground} y2={ground} stroke={plum} strokeWidth={3} />
            {Array.from({ length: left }, (_, day) => (
              <Line
                key={day}
                x1={at(day)}
                x2={at(day)}
                y1={ground - 5}
                y2={ground + 5}
                stroke={plum}
                strokeWidth={1}
              />
            ))}
            <Rect x={at(left) - 5} y={ground - 5} width={10} height={10} fill={plum} stroke={paper} />
            <SvgText x={width} y={ground + 5} textAnchor="end" fontSize={14} fontFamily={font} fill={soft}>
              {label}
            </SvgText>
          </>
        );
      }}
    </Drawing>
  );
}
