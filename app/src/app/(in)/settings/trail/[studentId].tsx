import { useLocalSearchParams } from 'expo-router';
import { inSettings } from '../../../../places';

const TrailScreen = inSettings((settings) => settings.TrailScreen);

export default function Trail() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <TrailScreen studentId={studentId} />;
}
