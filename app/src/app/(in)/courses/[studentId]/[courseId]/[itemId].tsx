import { useLocalSearchParams } from 'expo-router';
import { inCourses } from '../../../../../places';

const Assignment = inCourses((courses) => courses.Assignment);

export default function OneAssignment() {
  const asked = useLocalSearchParams<{ studentId: string; courseId: string; itemId: string }>();
  return <Assignment studentId={asked.studentId} courseId={asked.courseId} itemId={asked.itemId} />;
}
