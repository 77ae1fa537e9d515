import { Link, Slot, usePathname } from 'expo-router';
import { Pressable, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { AlertsLink } from '../alerts';
import { DemoClock } from '../sources';
import { gap, Icon, margin, Mark, places, usePalette, useWide, Words, type PlaceName } from '../ui';
import { ChildSwitch } from './ChildSwitch';

const placeOf = (path: string): string => path.split('/')[1] ?? '';

function PlaceLink({ name, wide, active }: { name: PlaceName; wide: boolean; active: boolean }) {
  const { t } = useTranslation();
  const palette = usePalette();
  const edge = wide
    ? {
        borderLeftWidth: 3,
        paddingVertical: 10,
        paddingHorizontal: 12,
        flexDirection: 'row' as const,
        gap: 12,
      }
    : { borderTopWidth: 3, paddingTop: 8, flex: 1, alignItems: 'center' as const, gap: 2 };
  return (
    <Link href={`/${name}`} asChild>
      <Pressable
        role="link"
        {...(active ? { 'aria-current': 'page' as const } : {})}
        style={{
          minHeight: 52,
          alignItems: 'center',
          borderColor: active ? palette.ink : 'transparent',
          ...edge,
        }}
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
  const palette = usePalette();
  const here = placeOf(usePathname());
  const links = places.map((name) => <PlaceLink key={name} name={name} wide={wide} active={here === name} />);
  if (wide) {
    return (
      <View
        role="navigation"
        aria-label={t('places.label')}
        style={{ width: 200, borderRightWidth: 1, borderColor: palette.line, padding: 16, gap: 4 }}
      >
        <View style={{ flexDirection: 'row', gap: 10, alignItems: 'center', padding: 12, paddingBottom: 20 }}>
          <Mark />
          <Words size="matter" bold>
            Cadro
          </Words>
        </View>
        {links}
        <View style={{ flex: 1 }} />
        <DemoClock />
      </View>
    );
  }
  return (
    <View
      role="navigation"
      aria-label={t('places.label')}
      style={{
        flexDirection: 'row',
        backgroundColor: palette.sheet,
        borderTopWidth: 1,
        borderColor: palette.line,
        paddingHorizontal: gap,
        paddingBottom: gap,
      }}
    >
      {links}
    </View>
  );
}

function Header() {
  const { t } = useTranslation();
  return (
    <View
      role="banner"
      style={{ flexDirection: 'row', alignItems: 'center', paddingHorizontal: margin, paddingTop: 8, gap: 4 }}
    >
      <ChildSwitch />
      <View style={{ flex: 1 }} />
      <AlertsLink />
      <Link href="/settings" aria-label={t('shell.settings')} style={{ padding: 8 }}>
        <Icon name="settings" />
      </Link>
    </View>
  );
}

/** The frame around every screen: places below on a phone, in a rail on a wide screen; the child switch above. */
export function Shell() {
  const wide = useWide();
  const palette = usePalette();
  return (
    <View
      style={{
        flex: 1,
        flexDirection: wide ? 'row' : 'column',
        backgroundColor: palette.paper,
        height: '100%',
      }}
    >
      {wide ? <Places wide /> : null}
      <View style={{ flex: 1 }}>
        <Header />
        <View role="main" style={{ flex: 1 }}>
          <Slot />
        </View>
      </View>
      {wide ? null : <Places wide={false} />}
    </View>
  );
}
