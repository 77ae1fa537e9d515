import { useLocalSearchParams } from 'expo-router';
import { FromScreen } from '../../../../desk';

export default function From() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <FromScreen key={studentId} studentId={studentId} />;
}
