import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { G, Line, Rect } from 'react-native-svg';
import { useTranslation } from 'react-i18next';
import type { OwnRules } from '@cadro/contract';
import { useFormat } from '../../household';
import { Stack, usePalette, Words } from '../../ui';
import { exampleOf, works } from './example';

const missingFraction = { zero: 0, half: 0.5, not: null } as const;
const tall = 96;

/** How wide each stands: by its points, or by its part of its category's share. */
function widths({ adds, missing }: OwnRules): number[] {
  const counted = works.map(({ earned, possible }) => (earned === null && missing === 'not' ? 0 : possible));
  if (adds === 'together') return counted;
  return works.map(({ categoryId }, index) => {
    const inIt = works.reduce(
      (sum, other, at) => sum + (other.categoryId === categoryId ? (counted[at] ?? 0) : 0),
      0,
    );
    return inIt === 0 ? 0 : ((categoryId === 'small' ? 40 : 60) * (counted[index] ?? 0)) / inIt;
  });
}

/** One assignment of the example: its frame, filled as far as it counts; open where nothing was turned in. */
function Bar({ x, width, fraction, open }: { x: number; width: number; fraction: number; open: boolean }) {
  const palette = usePalette();
  const height = fraction * tall;
  return (
    <G>
      <Rect
        {...{ x: x + 1, y: 1, width: width - 2, height: tall, fill: 'none', stroke: palette.soft }}
        strokeDasharray={open ? '4 3' : ''}
      />
      <Rect x={x + 1} y={tall + 1 - height} width={width - 2} height={height} fill={palette.sand} />
    </G>
  );
}

function Bars({ rules, room, level }: { rules: OwnRules; room: number; level: number }) {
  const palette = usePalette();
  const wide = widths(rules);
  const whole = wide.reduce((sum, each) => sum + each, 0);
  const left = (index: number) => wide.slice(0, index).reduce((sum, each) => sum + each, 0);
  return (
    <Svg width={room} height={tall + 2}>
      {works.map(({ id, earned, possible }, index) =>
        wide[index] ? (
          <Bar
            key={id}
            x={(left(index) / whole) * room}
            width={(wide[index] / whole) * room}
            fraction={earned === null ? (missingFraction[rules.missing] ?? 0) : earned / possible}
            open={earned === null}
          />
        ) : null,
      )}
      <Line x1={0} x2={room} y1={level + 1} y2={level + 1} stroke={palette.ink} strokeWidth={2} />
    </Svg>
  );
}

/**
 * What the rules do to an example: each assignment as wide as it weighs and as high as it was earned, with a line where
 * the grade stands. What was not turned in has a broken frame; what is left out has no width.
 */
export function RulePicture({ rules }: { rules: OwnRules }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [room, setRoom] = useState(0);
  const { posted, letter, outOf } = exampleOf(rules);
  return (
    <Stack space={0.5}>
      <View aria-hidden style={own.picture} onLayout={({ nativeEvent }) => setRoom(nativeEvent.layout.width)}>
        {room > 0 ? <Bars {...{ rules, room }} level={tall - ((posted ?? 0) / outOf) * tall} /> : null}
      </View>
      <Words size="small">
        {t('own.example', {
          as: t(`own.counted.${rules.missing}`),
          grade: letter
            ? t('own.gradeLetter', { grade: format.figure(posted, 1), letter })
            : t('own.gradeOf', { grade: format.figure(posted, 1), of: format.amount(outOf) }),
        })}
      </Words>
    </Stack>
  );
}

const own = StyleSheet.create({ picture: { height: tall + 2, maxWidth: 420 } });
