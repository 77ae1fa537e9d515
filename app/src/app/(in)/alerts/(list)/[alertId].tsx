import { useLocalSearchParams } from 'expo-router';
import { AlertView } from '../../../../alerts';

export default function OneAlert() {
  const { alertId } = useLocalSearchParams<{ alertId: string }>();
  return <AlertView key={alertId} alertId={alertId} />;
}
