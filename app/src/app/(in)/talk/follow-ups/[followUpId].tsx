import { useLocalSearchParams } from 'expo-router';
import { FollowUpView } from '../../../../followups';

export default function FollowUp() {
  const { followUpId } = useLocalSearchParams<{ followUpId: string }>();
  return <FollowUpView key={followUpId} followUpId={followUpId} />;
}
