import { View } from 'react-native';
import { Frame, type FrameKind } from './Frame';
import { gap } from './palette';
import { usePalette } from './Theme';
import { Words } from './Words';

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
  const palette = usePalette();
  return (
    <View role="list">
      {points.map((point, index) => (
        <View key={point.key} role="listitem" style={{ flexDirection: 'row', gap: 2 * gap }}>
          <View style={{ alignItems: 'center', width: 20 }}>
            <View style={{ paddingVertical: 2 }}>
              <Frame kind={point.frame} needsYou={point.needsYou ?? false} />
            </View>
            {index < points.length - 1 ? (
              <View
                style={{
                  width: 2,
                  flex: 1,
                  minHeight: 14,
                  backgroundColor: points[index + 1]?.ahead ? palette.line : palette.ink,
                }}
              />
            ) : null}
          </View>
          <View
            style={{ flex: 1, flexDirection: 'row', flexWrap: 'wrap', columnGap: gap, paddingBottom: gap }}
          >
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
