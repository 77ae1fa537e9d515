import { useLocalSearchParams } from 'expo-router';
import { inSettings } from '../../../../places';

const BesideScreen = inSettings((settings) => settings.BesideScreen);

export default function Beside() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <BesideScreen key={studentId} studentId={studentId} />;
}
