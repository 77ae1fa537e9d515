import { useWide } from '../../../../ui';
import { inAlerts } from '../../../../places';

const AlertList = inAlerts((alerts) => alerts.AlertList);
const DigestSheet = inAlerts((alerts) => alerts.DigestSheet);

/** Until an alert is chosen, the week stands beside the list. */
export default function AlertsStart() {
  return useWide() ? <DigestSheet /> : <AlertList />;
}
