import { Slot, useGlobalSearchParams } from 'expo-router';
import { AlertList } from '../../../../alerts';
import { Panes, useWide } from '../../../../ui';

export { ScreenComing as SuspenseFallback } from '../../../../ui';

/** On a wide screen the list stays beside the alert that is open. */
export default function Alerts() {
  const { alertId } = useGlobalSearchParams<{ alertId?: string }>();
  if (!useWide()) return <Slot />;
  return <Panes list={<AlertList selected={alertId ?? null} />} detail={<Slot />} />;
}
