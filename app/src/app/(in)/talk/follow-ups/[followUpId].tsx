import { useLocalSearchParams } from 'expo-router';
import { inTalk } from '../../../../places';

const FollowUpView = inTalk((talk) => talk.FollowUpView);

export default function FollowUp() {
  const { followUpId } = useLocalSearchParams<{ followUpId: string }>();
  return <FollowUpView key={followUpId} followUpId={followUpId} />;
}
