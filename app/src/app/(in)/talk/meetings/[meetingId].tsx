import { useLocalSearchParams } from 'expo-router';
import { inTalk } from '../../../../places';

const MeetingView = inTalk((talk) => talk.MeetingView);

export default function OneMeeting() {
  const { meetingId } = useLocalSearchParams<{ meetingId: string }>();
  return <MeetingView key={meetingId} meetingId={meetingId} />;
}
