import { Link, type Href } from 'expo-router';
import { Pressable, StyleSheet } from 'react-native';
import { useTranslation } from 'react-i18next';
import { styles } from '../theme/styles';
import { Icon } from '../drawings/Icons';
import { useWide } from '../theme/useWide';
import { touch } from '../theme/palette';
import { Words } from '../Words';

/** The way back up on a phone; on a wide screen the list stands beside it. */
export function BackLink({ href, label }: { href: Href; label: string }) {
  const { t } = useTranslation();
  if (useWide()) return null;
  return (
    <Link href={href} asChild>
      <Pressable
        role="link"
        aria-label={`${t('shell.back')}: ${label}`}
        style={StyleSheet.flatten([styles.ownWidth, own.back])}
      >
        <Icon name="back" active />
        <Words colour="soft">{label}</Words>
      </Pressable>
    </Link>
  );
}

const own = StyleSheet.create({
  back: { flexDirection: 'row', alignItems: 'center', gap: 8, minHeight: touch, marginVertical: -8 },
});
