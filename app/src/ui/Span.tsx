import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import type { CourseFigures, Scale } from '@cadro/contract';
import { font } from './palette';
import { spanDomain, spanSteps } from '@cadro/core';
import { usePalette } from './Theme';

interface SpanProps {
  readonly figures: CourseFigures;
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

/**
 * The span of a course: a rail on its scale with the letter steps as ticks and a filled frame at posted. Above
 * the rail the fall, from posted down to if left; below it the rise, from if left up to if made up, which may
 * end short of posted. A short gap in the rail at the left says that the scale does not start at 0.
 */
export function Span({ figures, scale, label, large, from, target = null }: SpanProps) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const height = large ? 52 : 24;
  const middle = 12;
  const own = spanDomain(figures, scale);
  const domain = from === undefined ? own : { ...own, from };
  const x = (value: number) =>
    edge +
    ((Math.min(domain.to, Math.max(domain.from, value)) - domain.from) / (domain.to - domain.from)) *
      (width - 2 * edge);
  const { posted, ifLeft, ifMadeUp } = figures;
  const bands = posted !== null && ifLeft !== null && ifMadeUp !== null;
  const steps = spanSteps(scale, domain);
  const tick = (value: number, colour: string) => (
    <Line x1={x(value)} x2={x(value)} y1={middle - 8} y2={middle + 8} stroke={colour} strokeWidth={3} />
  );
  return (
    <View
      role="img"
      aria-label={label}
      style={{ height, width: '100%' }}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
    >
      {width > 0 ? (
        <Svg width={width} height={height}>
          <Line
            x1={domain.from > 0 ? 14 : edge}
            x2={width - edge}
            y1={middle}
            y2={middle}
            stroke={palette.line}
            strokeWidth={2}
          />
          {domain.from > 0 ? (
            <Line x1={edge} x2={8} y1={middle} y2={middle} stroke={palette.line} strokeWidth={2} />
          ) : null}
          {steps.map((step) => (
            <Line
              key={step.at}
              x1={x(step.at)}
              x2={x(step.at)}
              y1={middle - 8}
              y2={middle + 8}
              stroke={palette.line}
              strokeWidth={2}
            />
          ))}
          {bands ? (
            <>
              <Rect
                x={x(ifLeft)}
                width={Math.max(0, x(posted) - x(ifLeft))}
                y={middle - 6}
                height={6}
                fill={palette.plumBand}
              />
              <Rect
                x={x(ifLeft)}
                width={Math.max(0, x(ifMadeUp) - x(ifLeft))}
                y={middle}
                height={6}
                fill={palette.tealBand}
              />
              {posted - ifLeft > 1e-9 ? tick(ifLeft, palette.plum) : null}
              {ifMadeUp - ifLeft > 1e-9 ? tick(ifMadeUp, palette.teal) : null}
            </>
          ) : null}
          {target !== null && target <= domain.to && target >= domain.from ? (
            <Path
              d={`M${x(target) - 6},${middle + 11}h12l-6,-9z`}
              fill={palette.plum}
              stroke={palette.paper}
              strokeWidth={1}
            />
          ) : null}
          {posted !== null ? (
            <Rect
              x={x(posted) - 5}
              y={middle - 5}
              width={10}
              height={10}
              fill={palette.ink}
              stroke={palette.paper}
              strokeWidth={1.5}
            />
          ) : null}
          {large
            ? steps.map((step) => (
                <SvgText
                  key={step.at}
                  x={x(step.at)}
                  y={40}
                  textAnchor={x(step.at) > width - 12 ? 'end' : 'middle'}
                  fontSize={14}
                  fontFamily={font}
                  fill={palette.soft}
                >
                  {step.label}
                </SvgText>
              ))
            : null}
        </Svg>
      ) : null}
    </View>
  );
}
