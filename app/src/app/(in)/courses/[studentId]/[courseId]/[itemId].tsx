import { useLocalSearchParams } from 'expo-router';
import { OwnWords } from '../../../../../desk';
import { ItemView } from '../../../../../gradebook';

export default function Assignment() {
  const { studentId, courseId, itemId } = useLocalSearchParams<{
    studentId: string;
    courseId: string;
    itemId: string;
  }>();
  return <ItemView key={itemId} {...{ studentId, courseId, itemId }} own={<OwnWords itemId={itemId} />} />;
}
