import { Slot, useGlobalSearchParams } from 'expo-router';
import { Panes, useWide } from '../../../../ui';
import { inAlerts } from '../../../../places';

const AlertList = inAlerts((alerts) => alerts.AlertList);

/** On a wide screen the list stays beside the alert that is open. */
export default function Alerts() {
  const { alertId } = useGlobalSearchParams<{ alertId?: string }>();
  if (!useWide()) return <Slot />;
  return <Panes list={<AlertList selected={alertId ?? null} />} detail={<Slot />} />;
}
