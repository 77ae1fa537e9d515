import { useState, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { Icon } from '../drawings/Icons';
import { Row } from '../Layout';
import { styles } from '../theme/styles';
import { themed } from '../theme/themed';
import { touch } from '../theme/palette';
import { Words } from '../Words';

/** A line that says how something stands; all of it, or what changes it, at a touch. */
export function Unfolding({
  label,
  value,
  mark,
  needsYou,
  children,
}: {
  label: string;
  value: string;
  /** Before the label. */
  mark?: ReactNode;
  /** Whether the value asks for something. */
  needsYou?: boolean;
  children: ReactNode;
}) {
  const looks = useLooks();
  const [open, setOpen] = useState(false);
  return (
    <View style={looks.ruled}>
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={`${label}, ${value}`}
        onPress={() => setOpen(!open)}
        style={looks.line}
      >
        <Row space={1}>
          {mark}
          <Words bold style={styles.shrink}>
            {label}
          </Words>
          <Words size="small" colour={needsYou ? 'plum' : 'soft'} style={styles.fill}>
            {value}
          </Words>
          <Icon name={open ? 'fold' : 'unfold'} active />
        </Row>
      </Pressable>
      {open ? children : null}
    </View>
  );
}

const useLooks = themed((palette) => ({
  ruled: { borderBottomWidth: 1, borderColor: palette.line },
  line: { minHeight: touch, paddingVertical: 16 },
}));
