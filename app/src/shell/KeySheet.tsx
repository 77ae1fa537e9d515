import { useEffect, useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { keysSwitched, useAppDispatch, useAppSelector } from '../store';
import { Action, Heading, Row, Stack, styles, themed, TickLine, Words } from '../ui';
import { keyActs, keysOf } from './useKeys';

/** The keys that lead somewhere, over the page; they can be put off. */
export function KeySheet({ onClose }: { onClose: () => void }) {
  const { t } = useTranslation();
  const looks = useLooks();
  const dispatch = useAppDispatch();
  const on = useAppSelector((state) => state.prefs.keys);
  const box = useRef<View>(null);
  useEffect(() => {
    const before = document.activeElement;
    box.current?.focus();
    return () => {
      if (before instanceof HTMLElement) before.focus();
    };
  }, []);
  return (
    <View ref={box} tabIndex={-1} role="dialog" aria-label={t('keys.title')} style={looks.sheet}>
      <Stack>
        <Heading level={2}>{t('keys.title')}</Heading>
        {keyActs.map((act) => (
          <Row key={act} space={2}>
            <Words bold style={own.key}>
              {keysOf[act]}
            </Words>
            <Words style={styles.shrink}>{t(`keys.${act}`)}</Words>
          </Row>
        ))}
        <TickLine label={t('keys.on')} on={on} onChange={(next) => dispatch(keysSwitched(next))} />
        <Action label={t('keys.close')} onPress={onClose} />
      </Stack>
    </View>
  );
}

const own = StyleSheet.create({ key: { width: 48 } });

const useLooks = themed((palette) => ({
  sheet: {
    position: 'absolute',
    right: 24,
    top: 64,
    zIndex: 2,
    padding: 24,
    maxWidth: 420,
    borderWidth: 1,
    borderColor: palette.ink,
    borderRadius: 6,
    backgroundColor: palette.sheet,
  },
}));
