import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { useFormat } from '../../household';
import {
  BackLink,
  Heading,
  Loaded,
  OutLink,
  PickDay,
  Stack,
  styles,
  useWide,
  WidePage,
  Words,
} from '../../ui';
import { rangeOf } from '../view/range';
import { icsAddress, useElsewhereQuery } from './elsewhereApi';
import { Feeds } from './Feeds';
import { Imports } from './Imports';

/** Days one takes along as a file. */
function Download() {
  const { t } = useTranslation();
  const format = useFormat();
  const { today } = format;
  const [range, setRange] = useState(() => rangeOf('agenda', today));
  const { from, to } = range;
  const day = { today, dayLong: format.dayLong, monthName: format.month };
  return (
    <Stack>
      <Stack space={0.25}>
        <Heading level={2}>{t('elsewhere.download')}</Heading>
        <Words colour="soft">{t('elsewhere.downloadLead')}</Words>
      </Stack>
      <PickDay
        {...day}
        label={t('elsewhere.from')}
        value={from}
        onChange={(on) => on && setRange({ from: on, to: on > to ? on : to })}
      />
      <PickDay
        {...day}
        label={t('elsewhere.to')}
        value={to}
        from={from}
        onChange={(on) => on && setRange({ from, to: on })}
      />
      <OutLink label={t('elsewhere.take', { days: format.span(from, to) })} href={icsAddress(range)} />
    </Stack>
  );
}

/** The calendar elsewhere: addresses that programs read, files one takes along, and files that come in. */
export function ElsewhereScreen() {
  const { t } = useTranslation();
  const wide = useWide();
  const query = useElsewhereQuery();
  return (
    <Loaded query={query}>
      {({ feeds, imports }) => (
        <WidePage>
          <BackLink href="/days" label={t('places.days')} />
          <Heading level={1}>{t('calendar.elsewhere')}</Heading>
          <View style={[styles.columnsFar, own.parts, wide && styles.row]}>
            <View style={wide ? { flex: 1, maxWidth: 560 } : {}}>
              <Feeds feeds={feeds} />
            </View>
            <View style={wide ? { flex: 1, maxWidth: 560, gap: 32 } : { gap: 32 }}>
              <Download />
              <Imports imports={imports} />
            </View>
          </View>
        </WidePage>
      )}
    </Loaded>
  );
}

const own = StyleSheet.create({
  parts: { rowGap: 32 },
});
