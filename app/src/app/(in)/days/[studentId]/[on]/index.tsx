import { useLocalSearchParams } from 'expo-router';
import { inDays } from '../../../../../places';

const DayScreen = inDays((days) => days.DayScreen);

export default function DayOfChild() {
  const { studentId, on } = useLocalSearchParams<{ studentId: string; on: string }>();
  return <DayScreen key={`${studentId}/${on}`} studentId={studentId} on={on} />;
}
