import { useLocalSearchParams } from 'expo-router';
import { inAttendance } from '../../../../../places';

const ChildAttendance = inAttendance((attendance) => attendance.ChildAttendance);

export default function AttendanceOfOne() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  return <ChildAttendance key={studentId} studentId={studentId} />;
}
