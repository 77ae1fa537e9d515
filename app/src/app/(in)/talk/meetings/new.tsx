import { useLocalSearchParams } from 'expo-router';
import { inTalk } from '../../../../places';

const ArrangeScreen = inTalk((talk) => talk.ArrangeScreen);

export default function Arrange() {
  const asked = useLocalSearchParams<{ studentId?: string; teacherId?: string }>();
  return <ArrangeScreen key={`${asked.studentId}${asked.teacherId}`} {...asked} />;
}
