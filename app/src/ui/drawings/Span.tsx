import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import type { CourseFigures, CourseGrade, Scale } from '@cadro/contract';
import { spanDomain, spanSteps, type Domain } from '@cadro/core';
import { font } from '../theme/palette';
import { usePalette } from '../theme/Theme';

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
  const { line } = usePalette();
  const drawn = { y1: middle, y2: middle, stroke: line, strokeWidth: 2 };
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

/** The fall above the rail and the rise below it, each ended by a tick where it is more than nothing. */
function Bands({ figures, x }: { figures: CourseFigures; x: Across }) {
  const palette = usePalette();
  const { posted, ifLeft, ifMadeUp } = figures;
  if (posted === null || ifLeft === null || ifMadeUp === null) return null;
  const band = (to: number) => ({ x: x(ifLeft), width: Math.max(0, x(to) - x(ifLeft)), height: 6 });
  return (
    <>
      <Rect {...band(posted)} y={middle - 6} fill={palette.plumBand} />
      <Rect {...band(ifMadeUp)} y={middle} fill={palette.tealBand} />
      {posted - ifLeft > 1e-9 ? <Upright at={x(ifLeft)} colour={palette.plum} wide={3} /> : null}
      {ifMadeUp - ifLeft > 1e-9 ? <Upright at={x(ifMadeUp)} colour={palette.teal} wide={3} /> : null}
    </>
  );
}

interface MarksProps {
  readonly grade: CourseGrade;
  readonly target: number | null;
  readonly x: Across;
}

/** The filled frame at the grade, an open one at our count where it differs, and the notch at the guardian's target. */
function Marks({ grade: { figure, count }, target, x }: MarksProps) {
  const palette = usePalette();
  const frame = (value: number) => ({ x: x(value) - 5, y: middle - 5, width: 10, height: 10 });
  return (
    <>
      {target !== null ? (
        <Path
          d={`M${x(target) - 6},${middle + 11}h12l-6,-9z`}
          fill={palette.plum}
          stroke={palette.paper}
          strokeWidth={1}
        />
      ) : null}
      {count ? (
        <Rect {...frame(count.figure)} fill={palette.paper} stroke={palette.ink} strokeWidth={2} />
      ) : null}
      {figure !== null ? (
        <Rect {...frame(figure)} fill={palette.ink} stroke={palette.paper} strokeWidth={1.5} />
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

/**
 * The span of a course: a rail on its scale with the letter steps as ticks and a filled frame at the grade.
 * Where the school's own figure leads and ours differs, ours is an open frame. Above the rail the fall, by our count down to if left; below it the rise, from if left up to if made up, which may
 * end short of posted. A short gap in the rail at the left says that the scale does not start at 0.
 */
export function Span({ figures, grade, scale, label, large, from, target = null }: SpanProps) {
  const { line } = usePalette();
  const [width, setWidth] = useState(0);
  const height = large ? 52 : 24;
  const own = spanDomain({ figures, grade }, scale);
  const domain = from === undefined ? own : { ...own, from };
  const x = across(domain, width);
  const steps = spanSteps(scale, domain);
  const inSight = target !== null && target <= domain.to && target >= domain.from ? target : null;
  return (
    <View
      role="img"
      aria-label={label}
      style={[shape.drawing, { height }]}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
    >
      {width > 0 ? (
        <Svg width={width} height={height}>
          <Rail width={width} cut={domain.from > 0} />
          {steps.map((step) => (
            <Upright key={step.at} at={x(step.at)} colour={line} wide={2} />
          ))}
          <Bands figures={figures} x={x} />
          <Marks grade={grade} target={inSight} x={x} />
          {large ? <Letters steps={steps} x={x} width={width} /> : null}
        </Svg>
      ) : null}
    </View>
  );
}

const shape = StyleSheet.create({
  drawing: { width: '100%' },
});
