import { useLocalSearchParams } from 'expo-router';
import { CourseForm } from '../../../../../sources';

export default function OwnCourse() {
  const { studentId, courseId } = useLocalSearchParams<{ studentId: string; courseId: string }>();
  return <CourseForm key={courseId} {...{ studentId, courseId }} />;
}
