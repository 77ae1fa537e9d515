import { StyleSheet, Pressable, View } from 'react-native';
import Svg, { Path, Rect } from 'react-native-svg';
import { styles } from '../theme/styles';
import { Row } from '../Layout';
import { touch } from '../theme/palette';
import { usePalette } from '../theme/Theme';
import { Words } from '../Words';
import { spacePresses } from './groupKeys';

/** A square to tick; its label is said, not shown. */
export function Tick({
  label,
  on,
  onChange,
}: {
  label: string;
  on: boolean;
  onChange: (on: boolean) => void;
}) {
  const palette = usePalette();
  return (
    <Pressable
      role="checkbox"
      aria-checked={on}
      aria-label={label}
      onPress={() => onChange(!on)}
      {...spacePresses(() => onChange(!on))}
      style={own.tick}
    >
      <View aria-hidden>
        <Svg width={22} height={22} viewBox="0 0 22 22">
          <Rect
            x={2}
            y={2}
            width={18}
            height={18}
            rx={4}
            fill={on ? palette.ink : 'none'}
            stroke={on ? palette.ink : palette.soft}
            strokeWidth={1.5}
          />
          {on ? (
            <Path d="M6 11.5l3.2 3.2L16 7.8" fill="none" stroke={palette.paper} strokeWidth={2.2} />
          ) : null}
        </Svg>
      </View>
    </Pressable>
  );
}

/** A square to tick with its label beside it. */
export function TickLine({
  width,
  small,
  ...tick
}: {
  label: string;
  on: boolean;
  onChange: (on: boolean) => void;
  /** In a row of several; otherwise it fills its line. */
  width?: number;
  small?: boolean;
}) {
  return (
    <Row space={small ? 0 : 0.5} style={width ? { width, paddingLeft: 12 } : {}}>
      <Tick {...tick} />
      <View style={styles.fill}>
        <Words size={small ? 'small' : 'text'}>{tick.label}</Words>
      </View>
    </Row>
  );
}

/** Several of a few, each to tick. */
export function Ticks<V extends string>({
  label,
  titled,
  options,
  chosen,
  onChange,
}: {
  label: string;
  /** Whether the label stands above; otherwise only a screen reader says it. */
  titled?: boolean;
  options: readonly { readonly value: V; readonly label: string }[];
  chosen: readonly V[];
  onChange: (chosen: V[]) => void;
}) {
  return (
    <View role="group" aria-label={label}>
      {titled ? (
        <Words size="small" bold>
          {label}
        </Words>
      ) : null}
      <View style={styles.flow}>
        {options.map(({ value, label: name }) => (
          <TickLine
            key={value}
            small
            width={172}
            label={name}
            on={chosen.includes(value)}
            onChange={(on) => onChange(on ? [...chosen, value] : chosen.filter((each) => each !== value))}
          />
        ))}
      </View>
    </View>
  );
}

const own = StyleSheet.create({
  tick: { width: touch, height: touch, alignItems: 'center', justifyContent: 'center', marginLeft: -12 },
});
