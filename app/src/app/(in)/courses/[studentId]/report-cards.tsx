import { useLocalSearchParams } from 'expo-router';
import { ReportCards } from '../../../../gradebook';

export default function ReportCardsOfChild() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <ReportCards key={studentId} studentId={studentId} />;
}
