import { useLocalSearchParams } from 'expo-router';
import { inCourses } from '../../../../places';

const ReportCards = inCourses((courses) => courses.ReportCards);

export default function ReportCardsOfChild() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <ReportCards key={studentId} studentId={studentId} />;
}
