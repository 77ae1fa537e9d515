import { useTranslation } from 'react-i18next';
import { useMeQuery } from '../household';
import { Stack, WayOn, Words } from '../ui';
import { useAlertCountsQuery } from './api';

/** That mail no longer reaches this guardian, where they look: whoever counts on it would not miss it. */
export function MailReturned() {
  const { t } = useTranslation();
  const { data: me } = useMeQuery();
  const { data } = useAlertCountsQuery();
  if (!data?.mailBouncedAt) return null;
  return (
    <Stack space={0}>
      <Words colour="plum">{t('reach.bounced', { email: me?.email ?? '' })}</Words>
      <WayOn label={t('alerts.toDelivery')} href="/alerts/delivery" />
    </Stack>
  );
}
