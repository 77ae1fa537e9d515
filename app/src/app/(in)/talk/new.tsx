import { useLocalSearchParams } from 'expo-router';
import { NewFollowUp } from '../../../followups';

export default function TakeInHand() {
  const { studentId, courseId, itemId } = useLocalSearchParams<{
    studentId: string;
    courseId?: string;
    itemId?: string;
  }>();
  return (
    <NewFollowUp
      key={itemId ?? courseId ?? studentId}
      studentId={studentId}
      {...(courseId ? { courseId } : {})}
      {...(itemId ? { itemId } : {})}
    />
  );
}
