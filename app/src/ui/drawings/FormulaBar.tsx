import { StyleSheet, View } from 'react-native';
import { themed } from '../theme/themed';
import { gap } from '../theme/palette';
import { Words } from '../Words';

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
  const looks = useLooks();
  return (
    <View role="img" aria-label={label} style={own.formula}>
      {parts.map(({ key, title, weight, value, stored }) => (
        <View key={key} style={[own.share, { flexGrow: Math.max(weight, 1) }]}>
          <View style={[looks.part, value === null && looks.unknown, stored && looks.stored]}>
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

const own = StyleSheet.create({
  formula: { flexDirection: 'row', gap: gap / 2 },
  share: { flexBasis: 0, minWidth: 56, gap: 2 },
});

const useLooks = themed((palette) => ({
  part: {
    minHeight: 32,
    alignItems: 'center',
    justifyContent: 'center',
    borderWidth: 1.5,
    borderStyle: 'solid',
    borderColor: palette.ink,
  },
  unknown: { borderStyle: 'dashed', borderColor: palette.soft },
  stored: { backgroundColor: palette.ink },
}));
