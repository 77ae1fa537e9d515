import { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { font } from '../theme/palette';
import { usePalette } from '../theme/Theme';
import { Drawing } from './Drawing';
import { hatched } from './Span';

export interface Lane {
  readonly key: string;
  readonly title: string;
  /** Its grade as it is written. */
  readonly grade: string;
  /** What moved it: when, and how far as a share of its scale. */
  readonly moves: readonly { readonly atMs: number; readonly share: number }[];
  readonly aheadMs: readonly number[];
}

export interface TermLanesProps {
  readonly lanes: readonly Lane[];
  /** What was missed, as shares of days. */
  readonly missed: readonly {
    readonly atMs: number;
    readonly share: number;
    readonly unexplained: boolean;
  }[];
  readonly missedTitle: string;
  readonly fromMs: number;
  readonly toMs: number;
  readonly todayMs: number;
  readonly today: string;
  readonly months: readonly { readonly atMs: number; readonly name: string }[];
  /** Said by a screen reader in place of the drawing. */
  readonly label: string;
}

const [head, lane, foot, edge] = [26, 46, 8, 4];
/** A move of a twentieth of the scale is as tall as there is room. */
const tallOf = (share: number): number => Math.max(3, Math.min(16, Math.abs(share) * 320));

type Across = (ms: number) => number;

/** One move: filled below the line where it fell, hatched above it where it rose. */
function Move({ x, y, share }: { x: number; y: number; share: number }) {
  const { plum, teal, paper } = usePalette();
  const tall = tallOf(share);
  if (share < 0) return <Rect x={x - 4} y={y} width={8} height={tall} fill={plum} />;
  return (
    <G>
      <Rect x={x - 4} y={y - tall} width={8} height={tall} fill={paper} stroke={teal} strokeWidth={1.2} />
      <Path d={hatched(x - 4, x + 4, y - tall, tall)} stroke={teal} strokeWidth={1} />
    </G>
  );
}

function OneLane({
  lane: { title, grade, moves, aheadMs },
  top,
  width,
  x,
}: {
  lane: Lane;
  top: number;
  width: number;
  x: Across;
}) {
  const { ink, soft, rail } = usePalette();
  const y = top + 30;
  const words = { y: top + 10, fontSize: 14, fontFamily: font } as const;
  return (
    <G>
      <SvgText {...words} x={edge} fill={soft}>
        {title}
      </SvgText>
      <SvgText {...words} x={width - edge} textAnchor="end" fontWeight="600" fill={ink}>
        {grade}
      </SvgText>
      <Line x1={edge} x2={width - edge} y1={y} y2={y} stroke={rail} strokeWidth={1.5} />
      {moves.map(({ atMs, share }) => (
        <Move key={`${atMs}${share}`} x={x(atMs)} y={y} share={share} />
      ))}
      {aheadMs.map((ms, at) => (
        <Rect
          key={`${ms}${at}`}
          x={x(ms) - 4}
          y={y - 4}
          width={8}
          height={8}
          fill="none"
          stroke={ink}
          strokeWidth={1.5}
        />
      ))}
    </G>
  );
}

/**
 * The term of a child as one drawing: a lane for each course with what moved it (hatched up, filled down) and the tests ahead
 * (open frames), what was missed below, and where today is.
 */
export function TermLanes(props: TermLanesProps) {
  const { lanes, missed, missedTitle, fromMs, toMs, todayMs, today, months, label } = props;
  const { ink, soft, rail, plum } = usePalette();
  const height = head + (lanes.length + 1) * lane + foot;
  const last = head + lanes.length * lane;
  const words = { fontSize: 14, fontFamily: font } as const;
  return (
    <Drawing label={label} height={height}>
      {(width) => {
        const x: Across = (ms) =>
          edge +
          ((Math.min(toMs, Math.max(fromMs, ms)) - fromMs) / Math.max(1, toMs - fromMs)) * (width - 2 * edge);
        return (
          <>
            {months.map(({ atMs, name }) => (
              <SvgText key={name} x={x(atMs)} y={14} {...words} fill={soft}>
                {name}
              </SvgText>
            ))}
            <Line x1={x(todayMs)} x2={x(todayMs)} y1={head} y2={height} stroke={ink} strokeDasharray="3 3" />
            <SvgText x={x(todayMs)} y={14} {...words} textAnchor="middle" fontWeight="600" fill={ink}>
              {today}
            </SvgText>
            {lanes.map((each, at) => (
              <OneLane key={each.key} lane={each} top={head + at * lane} width={width} x={x} />
            ))}
            <SvgText x={edge} y={last + 10} {...words} fill={soft}>
              {missedTitle}
            </SvgText>
            <Line x1={edge} x2={width - edge} y1={last + 36} y2={last + 36} stroke={rail} strokeWidth={1.5} />
            {missed.map(({ atMs, share, unexplained }) => (
              <Rect
                key={atMs}
                x={x(atMs) - 2}
                y={last + 36 - Math.max(5, share * 20)}
                width={4}
                height={Math.max(5, share * 20)}
                fill={unexplained ? plum : 'none'}
                stroke={unexplained ? plum : soft}
                strokeWidth={1}
              />
            ))}
          </>
        );
      }}
    </Drawing>
  );
}
