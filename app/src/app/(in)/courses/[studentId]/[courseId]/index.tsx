import { useLocalSearchParams } from 'expo-router';
import { CourseView } from '../../../../../gradebook';

export default function Course() {
  const { studentId, courseId } = useLocalSearchParams<{ studentId: string; courseId: string }>();
  return <CourseView key={courseId} studentId={studentId} courseId={courseId} />;
}
