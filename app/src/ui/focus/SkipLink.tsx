import { useState } from 'react';
import { Pressable, StyleSheet } from 'react-native';
import { useTranslation } from 'react-i18next';
import { themed } from '../theme/themed';
import { touch } from '../theme/palette';
import { Words } from '../Words';
import { toHeading } from './spots';

/** For whoever goes by keys: past what stands around every page. Seen while it has the focus. */
export function SkipLink() {
  const { t } = useTranslation();
  const looks = useLooks();
  const [here, setHere] = useState(false);
  return (
    <Pressable
      role="button"
      onPress={toHeading}
      onFocus={() => setHere(true)}
      onBlur={() => setHere(false)}
      style={[looks.link, !here && own.away]}
    >
      <Words bold>{t('shell.skip')}</Words>
    </Pressable>
  );
}

const own = StyleSheet.create({ away: { transform: [{ translateY: -100 }] } });

const useLooks = themed((palette) => ({
  link: {
    position: 'absolute',
    top: 4,
    left: 4,
    zIndex: 1,
    minHeight: touch,
    justifyContent: 'center',
    paddingHorizontal: 16,
    borderRadius: 6,
    borderWidth: 1,
    borderColor: palette.ink,
    backgroundColor: palette.sheet,
  },
}));
