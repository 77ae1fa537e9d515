import { useLocalSearchParams } from 'expo-router';
import { DayScreen } from '../../../../../calendar';

export default function DayOfChild() {
  const { studentId, on } = useLocalSearchParams<{ studentId: string; on: string }>();
  return <DayScreen key={`${studentId}/${on}`} studentId={studentId} on={on} />;
}
