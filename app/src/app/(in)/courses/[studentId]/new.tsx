import { useLocalSearchParams } from 'expo-router';
import { inOwn } from '../../../../places';

const CourseForm = inOwn((own) => own.CourseForm);

export default function NewCourse() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <CourseForm studentId={studentId} />;
}
