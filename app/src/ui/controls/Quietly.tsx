import { StyleSheet, Pressable } from 'react-native';
import { Icon, type IconName } from '../drawings/Icons';
import { styles } from '../theme/styles';
import { touch } from '../theme/palette';
import { Words } from '../Words';

/** A button that looks like a quiet link: it does something here instead of leading elsewhere. */
export function Quietly({
  label,
  hint,
  onPress,
  open,
}: {
  label: string;
  hint?: string;
  onPress: () => void;
  /** Of what it opens and folds. */
  open?: boolean;
}) {
  return (
    <Pressable
      role="button"
      aria-label={hint ? `${label}: ${hint}` : label}
      {...(open === undefined ? {} : { 'aria-expanded': open })}
      onPress={onPress}
      style={own.save}
    >
      <Words size="small" bold style={styles.underlined}>
        {label}
      </Words>
    </Pressable>
  );
}

/** A button of one drawing that everybody knows; its word is said. */
export function IconAction({
  icon,
  label,
  onPress,
  open,
}: {
  icon: IconName;
  label: string;
  onPress: () => void;
  /** Of what it opens and folds. */
  open?: boolean;
}) {
  return (
    <Pressable
      role="button"
      aria-label={label}
      {...(open === undefined ? {} : { 'aria-expanded': open })}
      onPress={onPress}
      style={own.icon}
    >
      <Icon name={icon} active />
    </Pressable>
  );
}

const own = StyleSheet.create({
  icon: { width: touch, height: touch, alignItems: 'center', justifyContent: 'center' },
  save: { minHeight: touch, justifyContent: 'center', alignSelf: 'flex-start' },
});
