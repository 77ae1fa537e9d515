import { useLocalSearchParams } from 'expo-router';
import { inAttendance } from '../../../../../places';

const MarksFileScreen = inAttendance((attendance) => attendance.MarksFileScreen);

export default function MarksFromFile() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <MarksFileScreen studentId={studentId} />;
}
