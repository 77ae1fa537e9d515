import { Link } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { Icon, touch, Words } from '../ui';
import { useAlertCountsQuery } from './api';
import { useLiveAlerts } from './useLiveAlerts';
import { usePushedOn } from './usePushedOn';

/** Who has no alerts hears, too, when what they may see has changed. */
export function LiveOnly() {
  useLiveAlerts();
  return null;
}

/** The way to the alerts, with how many are open; it counts along as they come. */
export function AlertsLink() {
  const { t } = useTranslation();
  useLiveAlerts();
  usePushedOn();
  const { data } = useAlertCountsQuery();
  const open = data?.open ?? 0;
  return (
    <Link href="/alerts" aria-label={t('alerts.open', { count: open })}>
      <View style={own.link}>
        <Icon name="alerts" active={open > 0} />
        {open > 0 ? (
          <Words size="small" bold colour="plum">
            {String(open)}
          </Words>
        ) : null}
      </View>
    </Link>
  );
}

const own = StyleSheet.create({
  link: {
    flexDirection: 'row',
    alignItems: 'center',
    minHeight: touch,
    minWidth: touch,
    paddingHorizontal: 4,
  },
});
