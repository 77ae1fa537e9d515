import { useLocalSearchParams } from 'expo-router';
import { inAttendance } from '../../../../../places';

const OwnMark = inAttendance((attendance) => attendance.OwnMark);

export default function Mark() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <OwnMark studentId={studentId} />;
}
