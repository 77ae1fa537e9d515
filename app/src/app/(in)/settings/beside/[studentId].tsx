import { useLocalSearchParams } from 'expo-router';
import { BesideScreen } from '../../../../sources';

export default function Beside() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <BesideScreen key={studentId} studentId={studentId} />;
}
