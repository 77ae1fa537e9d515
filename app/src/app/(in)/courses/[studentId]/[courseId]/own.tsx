import { useLocalSearchParams } from 'expo-router';
import { inOwn } from '../../../../../places';

const CourseForm = inOwn((own) => own.CourseForm);

export default function OwnCourse() {
  const { studentId, courseId } = useLocalSearchParams<{ studentId: string; courseId: string }>();
  return <CourseForm key={courseId} {...{ studentId, courseId }} />;
}
