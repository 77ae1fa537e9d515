import Svg, { Circle, Line, Path, Rect } from 'react-native-svg';
import type { OpenKind, ResultStatus } from '@cadro/contract';
import { usePalette } from '../theme/Theme';

export type FrameKind = 'nothing' | 'handed-in' | 'scored' | 'missing' | 'excused' | 'incomplete' | 'overdue';

/** Which frame a work's state is drawn with. A zero is scored: its word and its colour say the rest. */
export function frameOf(status: ResultStatus, looseEnd: OpenKind | null): FrameKind {
  if (looseEnd === 'overdue') return 'overdue';
  return status === 'open' ? 'nothing' : status;
}

/** The square frames: status is told by the frame itself, and always with its word beside it. */
export function Frame({ kind, needsYou }: { kind: FrameKind; needsYou?: boolean }) {
  const palette = usePalette();
  const ink = needsYou ? palette.plum : palette.ink;
  const stroke = { stroke: ink, strokeWidth: 2, fill: 'none' } as const;
  return (
    <Svg width={20} height={20} viewBox="0 0 20 20" aria-hidden>
      {kind === 'nothing' ? (
        <Rect x={3} y={3} width={14} height={14} {...stroke} strokeDasharray="3 2.6" />
      ) : null}
      {kind === 'handed-in' ? (
        <>
          <Rect x={3} y={3} width={14} height={14} {...stroke} />
          <Rect x={3} y={10} width={14} height={7} fill={ink} />
        </>
      ) : null}
      {kind === 'scored' ? <Rect x={2} y={2} width={16} height={16} fill={ink} /> : null}
      {kind === 'missing' ? <Path d="M11 3H3v14h14v-8" {...stroke} /> : null}
      {kind === 'overdue' ? (
        <>
          <Path d="M11 3H3v14h14v-8" {...stroke} />
          <Path d="M14 2v4h4" {...stroke} />
        </>
      ) : null}
      {kind === 'excused' ? (
        <>
          <Rect x={3} y={3} width={14} height={14} {...stroke} />
          <Line x1={3} y1={17} x2={17} y2={3} {...stroke} />
        </>
      ) : null}
      {kind === 'incomplete' ? (
        <>
          <Rect x={3} y={3} width={14} height={14} {...stroke} />
          <Circle cx={10} cy={10} r={2.6} fill={ink} />
        </>
      ) : null}
    </Svg>
  );
}
