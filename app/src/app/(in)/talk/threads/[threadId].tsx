import { useLocalSearchParams } from 'expo-router';
import { ThreadView } from '../../../../messages';

export default function Thread() {
  const { threadId } = useLocalSearchParams<{ threadId: string }>();
  return <ThreadView key={threadId} threadId={threadId} />;
}
