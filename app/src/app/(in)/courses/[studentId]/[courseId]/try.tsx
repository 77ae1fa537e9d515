import { useLocalSearchParams } from 'expo-router';
import { TryView } from '../../../../../outlook';

export default function Try() {
  const { studentId, courseId } = useLocalSearchParams<{ studentId: string; courseId: string }>();
  return <TryView key={courseId} studentId={studentId} courseId={courseId} />;
}
