import { Link, Slot, usePathname } from 'expo-router';
import { Pressable, StyleSheet, View, type ViewStyle } from 'react-native';
import { useTranslation } from 'react-i18next';
import { AlertsLink, LiveOnly } from '../alerts';
import { AwayLine, NewVersionLine, useCopies, useOpened } from '../device';
import { AfterConsent, useSelf } from '../household';
import { DemoClock } from '../sources';
import {
  childsPlaces,
  gap,
  Icon,
  margin,
  Mark,
  type PlaceName,
  places,
  SkipLink,
  styles,
  themed,
  useWide,
  Words,
} from '../ui';
import { ChildSwitch } from './ChildSwitch';
import { KeySheet } from './KeySheet';
import { Outbox } from './Outbox';
import { useGestures } from './useGestures';
import { useKeys } from './useKeys';

const placeOf = (path: string): string => path.split('/')[1] ?? '';

function PlaceLink({ name, wide, active }: { name: PlaceName; wide: boolean; active: boolean }) {
  const { t } = useTranslation();
  const looks = useLooks();
  return (
    <Link href={`/${name}`} asChild>
      <Pressable
        role="link"
        {...(active ? { 'aria-current': 'page' as const } : {})}
        style={StyleSheet.flatten([looks.place, active && looks.here])}
      >
        <Icon name={name} active={active} />
        <Words size={wide ? 'text' : 'small'} bold={active} colour={active ? 'ink' : 'soft'}>
          {t(`places.${name}`)}
        </Words>
      </Pressable>
    </Link>
  );
}

function Places({ wide }: { wide: boolean }) {
  const { t } = useTranslation();
  const looks = useLooks();
  const here = placeOf(usePathname());
  const own: readonly PlaceName[] = useSelf() ? childsPlaces : places;
  const links = own.map((name) => <PlaceLink key={name} name={name} wide={wide} active={here === name} />);
  if (wide) {
    return (
      <View role="navigation" aria-label={t('places.label')} style={looks.rail}>
        <View style={fixed.brand}>
          <Mark />
          <Words size="matter" bold>
            Cadro
          </Words>
        </View>
        {links}
        <View style={styles.fill} />
        <DemoClock />
      </View>
    );
  }
  return (
    <View role="navigation" aria-label={t('places.label')} style={looks.foot}>
      {links}
    </View>
  );
}

function Header({ wide }: { wide: boolean }) {
  const { t } = useTranslation();
  return (
    <View role="banner" style={fixed.top}>
      <ChildSwitch />
      <View style={styles.fill} />
      {wide ? (
        <Link href="/search" aria-label={t('shell.search')} style={fixed.account}>
          <Icon name="search" />
        </Link>
      ) : null}
      {useSelf() ? <LiveOnly /> : <AlertsLink />}
      <Link href="/settings" aria-label={t('shell.settings')} style={fixed.account}>
        <Icon name="settings" />
      </Link>
    </View>
  );
}

/** The frame around every screen: places below on a phone, in a rail on a wide screen; the child switch above. */
export function Shell() {
  const wide = useWide();
  const looks = useLooks();
  const here = placeOf(usePathname());
  useCopies();
  useOpened();
  const keys = useKeys();
  useGestures();
  return (
    <View style={looks.shell}>
      <SkipLink />
      {wide ? <Places wide /> : null}
      <View style={styles.fill}>
        <Header wide={wide} />
        <AwayLine />
        <NewVersionLine />
        <Outbox />
        <View role="main" style={styles.fill}>
          <AfterConsent open={here === 'settings'}>
            <Slot />
          </AfterConsent>
        </View>
      </View>
      {wide ? null : <Places wide={false} />}
      {keys.open ? <KeySheet onClose={keys.close} /> : null}
    </View>
  );
}

const fixed = StyleSheet.create({
  brand: { flexDirection: 'row', gap: 10, alignItems: 'center', padding: 12, paddingBottom: 20 },
  top: { flexDirection: 'row', alignItems: 'center', paddingHorizontal: margin, paddingTop: 8, gap: 2 },
  account: { padding: 10 },
});

/** How thick the mark of the place one is at is: at its side in the rail, above it in the foot. Elsewhere there is room for it. */
const mark = 3;
const edgeOf = (wide: boolean): ViewStyle =>
  wide
    ? { paddingStart: 12 + mark, paddingEnd: 12, paddingVertical: 10, flexDirection: 'row', gap: 12 }
    : { paddingTop: 8 + mark, flex: 1, gap: 2 };
const hereOf = (wide: boolean): ViewStyle =>
  wide ? { borderStartWidth: mark, paddingStart: 12 } : { borderTopWidth: mark, paddingTop: 8 };

const useLooks = themed((palette, wide) => ({
  place: { minHeight: 52, alignItems: 'center', ...edgeOf(wide) },
  here: { borderColor: palette.ink, ...hereOf(wide) },
  rail: { width: 200, borderRightWidth: 1, borderColor: palette.line, padding: 16, gap: 4 },
  foot: {
    flexDirection: 'row',
    backgroundColor: palette.sheet,
    borderTopWidth: 1,
    borderColor: palette.line,
    paddingHorizontal: gap,
    paddingBottom: gap,
  },
  shell: { flex: 1, flexDirection: wide ? 'row' : 'column', backgroundColor: palette.paper, height: '100%' },
}));
