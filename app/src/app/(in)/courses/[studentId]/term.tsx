import { useLocalSearchParams } from 'expo-router';
import { inCourses } from '../../../../places';

const TermScreen = inCourses((courses) => courses.TermScreen);

export default function Term() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <TermScreen key={studentId} studentId={studentId} />;
}
