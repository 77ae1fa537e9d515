import { useLocalSearchParams } from 'expo-router';
import { LetterScreen } from '../../../../../calendar';

export default function LetterToDesk() {
  const { studentId, on, purpose } = useLocalSearchParams<{
    studentId: string;
    on: string;
    purpose?: string;
  }>();
  const known = purpose === 'object' || purpose === 'ahead' ? purpose : 'explain';
  return <LetterScreen key={`${studentId}/${on}/${known}`} studentId={studentId} on={on} purpose={known} />;
}
