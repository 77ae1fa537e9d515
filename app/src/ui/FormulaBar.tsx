import { View } from 'react-native';
import { gap } from './palette';
import { usePalette } from './Theme';
import { Words } from './Words';

export interface FormulaPart {
  readonly key: string;
  readonly title: string;
  readonly weight: number;
  /** As it is shown; null while there is nothing. */
  readonly value: string | null;
  /** Stored by the school, or still our own. */
  readonly stored: boolean;
}

/**
 * How a grade is made of parts: a bar divided by their weights. Stored parts are filled, running ones framed, parts
 * without a grade dashed; the words say the same.
 */
export function FormulaBar({ parts, label }: { parts: readonly FormulaPart[]; label: string }) {
  const palette = usePalette();
  return (
    <View role="img" aria-label={label} style={{ flexDirection: 'row', gap: gap / 2 }}>
      {parts.map(({ key, title, weight, value, stored }) => (
        <View key={key} style={{ flexGrow: Math.max(weight, 1), flexBasis: 0, minWidth: 56, gap: 2 }}>
          <View
            style={{
              minHeight: 32,
              alignItems: 'center',
              justifyContent: 'center',
              borderWidth: 1.5,
              borderStyle: value === null ? 'dashed' : 'solid',
              borderColor: value === null ? palette.soft : palette.ink,
              backgroundColor: stored ? palette.ink : 'transparent',
            }}
          >
            <Words
              size="small"
              bold={value !== null}
              colour={stored ? 'paper' : value === null ? 'soft' : 'ink'}
            >
              {value ?? '–'}
            </Words>
          </View>
          <Words size="small" colour="soft">
            {title}
          </Words>
        </View>
      ))}
    </View>
  );
}
