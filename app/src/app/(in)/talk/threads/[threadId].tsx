import { useLocalSearchParams } from 'expo-router';
import { inTalk } from '../../../../places';

const ThreadView = inTalk((talk) => talk.ThreadView);

export default function Thread() {
  const { threadId } = useLocalSearchParams<{ threadId: string }>();
  return <ThreadView key={threadId} threadId={threadId} />;
}
