import { useLocalSearchParams } from 'expo-router';
import { PolicyView } from '../../../../../gradebook';

export default function Counting() {
  const { studentId, courseId } = useLocalSearchParams<{ studentId: string; courseId: string }>();
  return <PolicyView key={courseId} studentId={studentId} courseId={courseId} />;
}
