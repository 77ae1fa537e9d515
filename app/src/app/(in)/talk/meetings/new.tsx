import { useLocalSearchParams } from 'expo-router';
import { ArrangeScreen } from '../../../../meetings';

export default function Arrange() {
  const asked = useLocalSearchParams<{ studentId?: string; teacherId?: string }>();
  return <ArrangeScreen key={`${asked.studentId}${asked.teacherId}`} {...asked} />;
}
