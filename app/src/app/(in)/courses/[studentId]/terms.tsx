import { useLocalSearchParams } from 'expo-router';
import { TermsView } from '../../../../gradebook';

export default function Terms() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <TermsView key={studentId} studentId={studentId} />;
}
