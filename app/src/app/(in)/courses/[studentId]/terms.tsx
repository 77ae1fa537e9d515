import { useLocalSearchParams } from 'expo-router';
import { inCourses } from '../../../../places';

const TermsView = inCourses((courses) => courses.TermsView);

export default function Terms() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <TermsView key={studentId} studentId={studentId} />;
}
