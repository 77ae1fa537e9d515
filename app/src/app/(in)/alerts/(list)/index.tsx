import { AlertList, DigestSheet } from '../../../../alerts';
import { useWide } from '../../../../ui';

/** Until an alert is chosen, the week stands beside the list. */
export default function AlertsStart() {
  return useWide() ? <DigestSheet /> : <AlertList />;
}
