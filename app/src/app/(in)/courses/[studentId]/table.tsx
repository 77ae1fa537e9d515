import { useLocalSearchParams } from 'expo-router';
import { inOwn } from '../../../../places';

const TableScreen = inOwn((own) => own.TableScreen);

export default function Table() {
  const { studentId, courseId } = useLocalSearchParams<{ studentId: string; courseId?: string }>();
  return <TableScreen studentId={studentId} {...(courseId ? { courseId } : {})} />;
}
