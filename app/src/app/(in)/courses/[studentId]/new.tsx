import { useLocalSearchParams } from 'expo-router';
import { CourseForm } from '../../../../sources';

export default function NewCourse() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <CourseForm studentId={studentId} />;
}
