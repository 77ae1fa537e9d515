import { useLocalSearchParams } from 'expo-router';
import { ChildAttendance } from '../../../../../attendance';

export default function AttendanceOfOne() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <ChildAttendance key={studentId} studentId={studentId} />;
}
