import { useLocalSearchParams } from 'expo-router';
import { FileScreen } from '../../../../household';

export default function File() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <FileScreen studentId={studentId} />;
}
