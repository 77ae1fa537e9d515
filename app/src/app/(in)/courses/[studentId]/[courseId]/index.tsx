import { useLocalSearchParams } from 'expo-router';
import { inCourses } from '../../../../../places';

const CourseView = inCourses((courses) => courses.CourseView);

export default function Course() {
  const { studentId, courseId, termId } = useLocalSearchParams<{
    studentId: string;
    courseId: string;
    termId?: string;
  }>();
  return <CourseView key={courseId} studentId={studentId} courseId={courseId} termId={termId} />;
}
