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
  styles,
  themed,
  useWide,
  Words,
} from '../ui';
import { ChildSwitch } from './ChildSwitch';
import { Outbox } from './Outbox';

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

function Header() {
  const { t } = useTranslation();
  return (
    <View role="banner" style={fixed.top}>
      <ChildSwitch />
      <View style={styles.fill} />
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
  return (
    <View style={looks.shell}>
      {wide ? <Places wide /> : null}
      <View style={styles.fill}>
        <Header />
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
    </View>
  );
}

const fixed = StyleSheet.create({
  brand: { flexDirection: 'row', gap: 10, alignItems: 'center', padding: 12, paddingBottom: 20 },
  top: { flexDirection: 'row', alignItems: 'center', paddingHorizontal: margin, paddingTop: 8, gap: 4 },
  account: { padding: 8 },
});

/** Where the mark of the place one is at stands: at its side in the rail, above it in the foot. */
const edgeOf = (wide: boolean): ViewStyle =>
  wide
    ? { borderLeftWidth: 3, paddingVertical: 10, paddingHorizontal: 12, flexDirection: 'row', gap: 12 }
    : { borderTopWidth: 3, paddingTop: 8, flex: 1, gap: 2 };

const useLooks = themed((palette, wide) => ({
  place: { minHeight: 52, alignItems: 'center', borderColor: 'transparent', ...edgeOf(wide) },
  here: { borderColor: palette.ink },
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
