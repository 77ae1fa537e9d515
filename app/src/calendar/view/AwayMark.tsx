import { StyleSheet, View } from 'react-native';
import Svg, { Line } from 'react-native-svg';
import type { CalendarEvent } from '@cadro/contract';
import { MarkOf } from '../../household';
import { usePalette } from '../../ui';
import { awayWord } from './dayOf';

const side = 18;

/** The mark of a child whose attendance a day tells of: struck through where it was out, plum where nobody has said why. */
export function AwayMark({
  studentId,
  marks,
}: {
  studentId: string;
  marks: NonNullable<CalendarEvent['marks']>;
}) {
  const { plum, soft } = usePalette();
  return (
    <View style={own.mark}>
      <MarkOf studentId={studentId} size={side} />
      {awayWord(marks) === 'out' ? (
        <View style={own.over}>
          <Svg width={side} height={side} aria-hidden>
            <Line
              {...{ x1: 1, y1: side - 6, x2: side - 1, y2: 2 }}
              stroke={marks.unexplained > 0 ? plum : soft}
              strokeWidth={2}
            />
          </Svg>
        </View>
      ) : null}
    </View>
  );
}

const own = StyleSheet.create({
  mark: { width: side, height: side },
  over: { position: 'absolute', left: 0, top: 0 },
});
