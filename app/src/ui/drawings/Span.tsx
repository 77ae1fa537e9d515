import { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import type { CourseFigures, CourseGrade, Scale } from '@cadro/contract';
import { spanDomain, spanSteps, type Domain } from '@cadro/core';
import { font } from '../theme/palette';
import { usePalette } from '../theme/Theme';
import { Drawing } from './Drawing';
import { useEased } from './useEased';

export interface SpanProps {
  readonly figures: CourseFigures;
  readonly grade: CourseGrade;
  readonly scale: Scale;
  /** Said by a screen reader in place of the drawing. */
  readonly label: string;
  readonly large?: boolean;
  /** Where the rail begins, for spans that are to be compared; by default as the figures need it. */
  readonly from?: number;
  /** The guardian's target: a notch in the rail. */
  readonly target?: number | null;
}

const edge = 3;

/** Where a value of the scale stands, in points from the left. */
type Across = (value: number) => number;
const middle = 12;

const across =
  ({ from, to }: Domain, width: number): Across =>
  (value) =>
    edge + ((Math.min(to, Math.max(from, value)) - from) / (to - from)) * (width - 2 * edge);

/** The rail; a short gap at its left says that the scale does not start at 0. */
function Rail({ width, cut }: { width: number; cut: boolean }) {
  const { rail } = usePalette();
  const drawn = { y1: middle, y2: middle, stroke: rail, strokeWidth: 2 };
  return (
    <>
      <Line x1={cut ? 14 : edge} x2={width - edge} {...drawn} />
      {cut ? <Line x1={edge} x2={8} {...drawn} /> : null}
    </>
  );
}

function Upright({ at, colour, wide }: { at: number; colour: string; wide: number }) {
  return <Line x1={at} x2={at} y1={middle - 8} y2={middle + 8} stroke={colour} strokeWidth={wide} />;
}

/** Slanted strokes through a band: told from a filled one without any colour. */
export const hatched = (from: number, to: number, top: number, tall: number): string =>
  Array.from({ length: Math.max(0, Math.floor((to - from) / 4)) }, (_, at) => from + at * 4)
    .map((x) => `M${x},${top + tall}l${Math.min(tall, to - x)},${-Math.min(tall, to - x)}`)
    .join('');

/** The fall above the rail, filled, and the rise below it, hatched, each ended by a tick where it is more than nothing. */
function Bands({ left, posted, madeUp }: { left: number; posted: number; madeUp: number }) {
  const palette = usePalette();
  return (
    <>
      {posted - left > 0.5 ? (
        <>
          <Rect x={left} width={posted - left} y={middle - 6} height={5} fill={palette.plum} />
          <Upright at={left} colour={palette.plum} wide={3} />
        </>
      ) : null}
      {madeUp - left > 0.5 ? (
        <>
          <Rect
            {...{ x: left, width: madeUp - left, y: middle + 1, height: 6 }}
            fill={palette.paper}
            stroke={palette.teal}
            strokeWidth={1}
          />
          <Path d={hatched(left, madeUp, middle + 1, 6)} stroke={palette.teal} strokeWidth={1} />
          <Upright at={madeUp} colour={palette.teal} wide={3} />
        </>
      ) : null}
    </>
  );
}

interface MarksProps {
  /** Places from the left; null where there is none. */
  readonly grade: number | null;
  readonly count: number | null;
  readonly target: number | null;
}

/** The filled frame at the grade, an open one at our count where it differs, and the notch at the guardian's target. */
function Marks({ grade, count, target }: MarksProps) {
  const palette = usePalette();
  const frame = (at: number) => ({ x: at - 5, y: middle - 5, width: 10, height: 10 });
  return (
    <>
      {target !== null ? (
        <Path
          d={`M${target - 6},${middle + 11}h12l-6,-9z`}
          fill={palette.plum}
          stroke={palette.paper}
          strokeWidth={1}
        />
      ) : null}
      {count !== null ? (
        <Rect {...frame(count)} fill={palette.paper} stroke={palette.ink} strokeWidth={2} />
      ) : null}
      {grade !== null ? (
        <Rect {...frame(grade)} fill={palette.ink} stroke={palette.paper} strokeWidth={1.5} />
      ) : null}
    </>
  );
}

function Letters({ steps, x, width }: { steps: ReturnType<typeof spanSteps>; x: Across; width: number }) {
  const { soft } = usePalette();
  return steps.map(({ at, label }) => (
    <SvgText
      key={at}
      x={x(at)}
      y={40}
      textAnchor={x(at) > width - 12 ? 'end' : 'middle'}
      fontSize={14}
      fontFamily={font}
      fill={soft}
    >
      {label}
    </SvgText>
  ));
}

function Spanned({
  figures,
  grade,
  scale,
  large,
  from,
  target = null,
  width,
}: SpanProps & { width: number }) {
  const { rail } = usePalette();
  const own = spanDomain({ figures, grade }, scale);
  const domain = from === undefined ? own : { ...own, from };
  const x = across(domain, width);
  const place = (value: number | null | undefined) =>
    value === null || value === undefined ? null : x(value);
  const steps = spanSteps(scale, domain);
  const inSight = target !== null && target <= domain.to && target >= domain.from ? target : null;
  const { posted, ifLeft, ifMadeUp } = figures;
  // All of it moves together when a value changes.
  const [left, fall, rise, at, count, aim] = useEased(
    [ifLeft, posted, ifMadeUp, grade.figure, grade.count?.figure, inSight].map(place),
    width,
  );
  return (
    <>
      <Rail width={width} cut={domain.from > 0} />
      {steps.map((step) => (
        <Upright key={step.at} at={x(step.at)} colour={rail} wide={2} />
      ))}
      {isPlace(left) && isPlace(fall) && isPlace(rise) ? (
        <Bands left={left} posted={fall} madeUp={rise} />
      ) : null}
      <Marks grade={at ?? null} count={count ?? null} target={aim ?? null} />
      {large ? <Letters steps={steps} x={x} width={width} /> : null}
    </>
  );
}

const isPlace = (place: number | null | undefined): place is number => typeof place === 'number';

/**
 * The span of a course: a rail on its scale with the letter steps as ticks and a filled frame at the grade.
 * Where the school's own figure leads and ours differs, ours is an open frame. Above the rail the fall, by our count down to if left; below it the rise, from if left up to if made up, which may
 * end short of posted. A short gap in the rail at the left says that the scale does not start at 0.
 */
export const Span = (props: SpanProps) => (
  <Drawing label={props.label} height={props.large ? 52 : 24}>
    {(width) => <Spanned {...props} width={width} />}
  </Drawing>
);

export interface DropProps {
  readonly posted: number;
  readonly left: number;
  readonly outOf: number;
  /** '3.1 posted, of 4', below the rail at the grade. */
  readonly postedWords: string;
  /** '2.4 if left', above it where the fall ends. */
  readonly leftWords: string;
  /** Said by a screen reader in place of the drawing. */
  readonly said: string;
}

/** Where a text at a place is held, so that it stays in the drawing. */
const anchorAt = (at: number, width: number) =>
  at < width / 3 ? 'start' : at > (2 * width) / 3 ? 'end' : 'middle';

function Dropped({ posted, left, outOf, postedWords, leftWords, width }: DropProps & { width: number }) {
  const palette = usePalette();
  const domain = { from: Math.max(0, left - (outOf - left)), to: outOf };
  const x = across(domain, width);
  const words = (at: number, y: number, fill: string, text: string) => (
    <SvgText
      {...{ x: at, y, fill, fontFamily: font, fontSize: 16, fontWeight: '600' }}
      textAnchor={anchorAt(at, width)}
    >
      {text}
    </SvgText>
  );
  return (
    <>
      <G y={18}>
        <Rail width={width} cut={domain.from > 0} />
        <Bands left={x(left)} posted={x(posted)} madeUp={x(left)} />
        <Marks grade={x(posted)} count={null} target={null} />
      </G>
      {words(x(left), 16, palette.plum, leftWords)}
      {words(x(posted), 58, palette.ink, postedWords)}
    </>
  );
}

/** The fall under a grade, in the lines of the span: the frame at the grade, the band down to where it would be. */
export const Drop = (props: DropProps) => (
  <Drawing label={props.said} height={66}>
    {(width) => <Dropped {...props} width={width} />}
  </Drawing>
);
