import { useLocalSearchParams } from 'expo-router';
import { inTalk } from '../../../places';

const NewFollowUp = inTalk((talk) => talk.NewFollowUp);

export default function TakeInHand() {
  const { studentId, courseId, itemId, itemIds } = useLocalSearchParams<{
    studentId: string;
    courseId?: string;
    itemId?: string;
    itemIds?: string;
  }>();
  return (
    <NewFollowUp
      key={itemIds ?? itemId ?? courseId ?? studentId}
      studentId={studentId}
      {...(courseId ? { courseId } : {})}
      {...(itemId ? { itemId } : {})}
      {...(itemIds ? { itemIds } : {})}
    />
  );
}
