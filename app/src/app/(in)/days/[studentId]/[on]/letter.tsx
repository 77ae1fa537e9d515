import { useLocalSearchParams } from 'expo-router';
import { inDays } from '../../../../../places';

const LetterScreen = inDays((days) => days.LetterScreen);

export default function LetterToDesk() {
  const { studentId, on, purpose } = useLocalSearchParams<{
    studentId: string;
    on: string;
    purpose?: string;
  }>();
  const known = purpose === 'object' || purpose === 'ahead' ? purpose : 'explain';
  return <LetterScreen key={`${studentId}/${on}/${known}`} studentId={studentId} on={on} purpose={known} />;
}
