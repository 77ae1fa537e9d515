import Svg, { Line, Rect } from 'react-native-svg';
import type { DayMark } from '@cadro/contract';
import { usePalette } from './Theme';

const barWidth = 10;
const step = 14;

/** A school day as its lessons: filled there, open absent, struck explained, half late, dotted on a trip. */
export function DayStrip({ marks, label }: { marks: readonly DayMark[]; label: string }) {
  const palette = usePalette();
  const width = Math.max(1, marks.length) * step;
  return (
    <Svg width={width} height={22} role="img" aria-label={label}>
      {marks.map((mark, index) => {
        const x = index * step + 1;
        const open = { x, y: 2, width: barWidth, height: 18, fill: 'none', strokeWidth: 2 } as const;
        switch (mark.kind) {
          case 'present':
            return <Rect key={mark.period} x={x} y={1} width={barWidth} height={20} fill={palette.line} />;
          case 'tardy':
            return <Rect key={mark.period} x={x} y={11} width={barWidth} height={10} fill={palette.ink} />;
          case 'activity':
            return <Rect key={mark.period} {...open} stroke={palette.soft} strokeDasharray="2 2" />;
          case 'closed':
            return (
              <Line
                key={mark.period}
                x1={x}
                x2={x + barWidth}
                y1={20}
                y2={20}
                stroke={palette.line}
                strokeWidth={2}
              />
            );
          case 'absent':
            return mark.excused ? (
              <Svg key={mark.period}>
                <Rect {...open} stroke={palette.soft} />
                <Line x1={x} x2={x + barWidth} y1={20} y2={2} stroke={palette.soft} strokeWidth={2} />
              </Svg>
            ) : (
              <Rect key={mark.period} {...open} stroke={palette.plum} />
            );
        }
      })}
    </Svg>
  );
}
