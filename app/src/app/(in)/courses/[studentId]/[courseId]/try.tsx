import { useLocalSearchParams } from 'expo-router';
import { inTrying } from '../../../../../places';

const TryView = inTrying((trying) => trying.TryView);

export default function Try() {
  const { studentId, courseId } = useLocalSearchParams<{ studentId: string; courseId: string }>();
  return <TryView key={courseId} studentId={studentId} courseId={courseId} />;
}
