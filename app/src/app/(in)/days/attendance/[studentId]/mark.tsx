import { useLocalSearchParams } from 'expo-router';
import { OwnMark } from '../../../../../attendance';

export default function Mark() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <OwnMark studentId={studentId} />;
}
