import { useLocalSearchParams } from 'expo-router';
import { WriteWork } from '../../../../../sources';

export default function Write() {
  const { studentId, courseId } = useLocalSearchParams<{ studentId: string; courseId: string }>();
  return <WriteWork key={courseId} {...{ studentId, courseId }} />;
}
