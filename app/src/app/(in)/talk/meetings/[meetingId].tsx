import { useLocalSearchParams } from 'expo-router';
import { MeetingView } from '../../../../meetings';

export default function OneMeeting() {
  const { meetingId } = useLocalSearchParams<{ meetingId: string }>();
  return <MeetingView key={meetingId} meetingId={meetingId} />;
}
