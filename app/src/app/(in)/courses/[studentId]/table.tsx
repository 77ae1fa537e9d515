import { useLocalSearchParams } from 'expo-router';
import { TableScreen } from '../../../../sources';

export default function Table() {
  const { studentId, courseId } = useLocalSearchParams<{ studentId: string; courseId?: string }>();
  return <TableScreen studentId={studentId} {...(courseId ? { courseId } : {})} />;
}
