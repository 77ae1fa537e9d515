import { useLocalSearchParams } from 'expo-router';
import { inCourses } from '../../../../../places';

const PolicyView = inCourses((courses) => courses.PolicyView);

export default function Counting() {
  const { studentId, courseId } = useLocalSearchParams<{ studentId: string; courseId: string }>();
  return <PolicyView key={courseId} studentId={studentId} courseId={courseId} />;
}
