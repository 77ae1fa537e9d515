import { useLocalSearchParams } from 'expo-router';
import { MarksFileScreen } from '../../../../../attendance';

export default function MarksFromFile() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <MarksFileScreen studentId={studentId} />;
}
