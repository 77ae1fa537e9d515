import { StyleSheet, View } from 'react-native';
import { themed } from '../theme/themed';
import { gap } from '../theme/palette';
import { Words } from '../Words';
import { Frame, type FrameKind } from './Frame';

export interface StoryPoint {
  readonly key: string;
  readonly when: string;
  readonly what: string;
  readonly frame: FrameKind;
  readonly needsYou?: boolean;
  /** Still to come. */
  readonly ahead?: boolean;
}

/** The story of one work, top to bottom so that nothing scrolls sideways: each point a frame, a day, a word. */
export function StoryLine({ points }: { points: readonly StoryPoint[] }) {
  const looks = useLooks();
  return (
    <View role="list">
      {points.map((point, index) => (
        <View key={point.key} role="listitem" style={own.point}>
          <View style={own.rail}>
            <View style={own.dot}>
              <Frame kind={point.frame} needsYou={point.needsYou ?? false} />
            </View>
            {index < points.length - 1 ? (
              <View style={[looks.rail, points[index + 1]?.ahead && looks.ahead]} />
            ) : null}
          </View>
          <View style={own.words}>
            <Words size="small" bold>
              {point.when}
            </Words>
            <Words size="small" colour={point.needsYou ? 'plum' : 'soft'}>
              {point.what}
            </Words>
          </View>
        </View>
      ))}
    </View>
  );
}

const own = StyleSheet.create({
  point: { flexDirection: 'row', gap: 2 * gap },
  rail: { alignItems: 'center', width: 20 },
  dot: { paddingVertical: 2 },
  words: { flex: 1, flexDirection: 'row', flexWrap: 'wrap', columnGap: gap, paddingBottom: gap },
});

const useLooks = themed((palette) => ({
  rail: { width: 2, flex: 1, minHeight: 14, backgroundColor: palette.ink },
  ahead: { backgroundColor: palette.rail },
}));
