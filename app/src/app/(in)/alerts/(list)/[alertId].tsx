import { useLocalSearchParams } from 'expo-router';
import { inAlerts } from '../../../../places';

const AlertView = inAlerts((alerts) => alerts.AlertView);

export default function OneAlert() {
  const { alertId } = useLocalSearchParams<{ alertId: string }>();
  return <AlertView key={alertId} alertId={alertId} />;
}
