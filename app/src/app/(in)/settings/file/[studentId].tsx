import { useLocalSearchParams } from 'expo-router';
import { inSettings } from '../../../../places';

const FileScreen = inSettings((settings) => settings.FileScreen);

export default function File() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <FileScreen studentId={studentId} />;
}
