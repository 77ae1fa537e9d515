import { useLocalSearchParams } from 'expo-router';
import { WriteScreen } from '../../../messages';

export default function Write() {
  const { followUpId, studentId, teacherId } = useLocalSearchParams<{
    followUpId?: string;
    studentId?: string;
    teacherId?: string;
  }>();
  return (
    <WriteScreen
      key={followUpId ?? teacherId ?? ''}
      {...(followUpId ? { followUpId } : {})}
      {...(studentId ? { studentId } : {})}
      {...(teacherId ? { teacherId } : {})}
    />
  );
}
