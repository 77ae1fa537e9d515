import { useLocalSearchParams } from 'expo-router';
import { inTalk } from '../../../../places';

const FromScreen = inTalk((talk) => talk.FromScreen);

export default function From() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <FromScreen key={studentId} studentId={studentId} />;
}
