import { useLocalSearchParams } from 'expo-router';
import { TrailScreen } from '../../../../household';

export default function Trail() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <TrailScreen studentId={studentId} />;
}
