import { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import type { EveningLoad } from '@cadro/core';
import { font } from '../theme/palette';
import { usePalette } from '../theme/Theme';
import { Drawing } from './Drawing';
import { hatched } from './Span';
import { useEased } from './useEased';

const [height, ground, tallest] = [104, 80, 60];

interface BarsProps {
  readonly evenings: readonly EveningLoad[];
  readonly dayOf: (date: string) => string;
  readonly minutesOf: (minutes: number) => string;
}

/** What is planned is filled up to what is free, which is open; what is too much is hatched above it. */
function Bars({ evenings, dayOf, minutesOf, width }: BarsProps & { width: number }) {
  const { ink, paper, plum, rail, soft } = usePalette();
  const most = Math.max(60, ...evenings.flatMap(({ free, planned }) => [free, planned]));
  const tall = (minutes: number) => (minutes / most) * tallest;
  const planned = useEased(
    evenings.map((each) => tall(each.planned)),
    width,
  );
  const column = width / Math.max(1, evenings.length);
  const wide = Math.min(36, column - 10);
  const words = { fontSize: 14, fontFamily: font, textAnchor: 'middle' } as const;
  return (
    <>
      <Line x1={0} x2={width} y1={ground} y2={ground} stroke={rail} strokeWidth={1.5} />
      {evenings.map(({ date, free, planned: minutes }, at) => {
        const x = (at + 0.5) * column;
        const [left, room, filled] = [x - wide / 2, tall(free), planned[at] ?? 0];
        const within = Math.min(room, filled);
        return (
          <G key={date}>
            <Rect
              {...{ x: left, y: ground - room, width: wide, height: room }}
              fill={paper}
              stroke={rail}
              strokeWidth={1.5}
            />
            <Rect {...{ x: left, y: ground - within, width: wide, height: within }} fill={ink} />
            {filled - room > 0.5 ? (
              <G>
                <Rect
                  {...{ x: left, y: ground - filled, width: wide, height: filled - room }}
                  fill={paper}
                  stroke={plum}
                  strokeWidth={1.5}
                />
                <Path
                  d={hatched(left, left + wide, ground - filled, Math.min(6, filled - room))}
                  stroke={plum}
                  strokeWidth={1}
                />
              </G>
            ) : null}
            {minutes > 0 ? (
              <SvgText x={x} y={ground - Math.max(room, filled) - 5} {...words} fill={ink}>
                {minutesOf(minutes)}
              </SvgText>
            ) : null}
            <SvgText x={x} y={height - 6} {...words} fill={soft}>
              {dayOf(date)}
            </SvgText>
          </G>
        );
      })}
    </>
  );
}

/** The load of the coming evenings: how much is planned in the time there is. @param label said in its place. */
export const EveningBars = ({ label, ...props }: BarsProps & { label: string }) => (
  <Drawing label={label} height={height}>
    {(width) => <Bars {...props} width={width} />}
  </Drawing>
);
