import { inTalk } from '../../../../places';

const MeetingsScreen = inTalk((talk) => talk.MeetingsScreen);

export default function Meetings() {
  return <MeetingsScreen />;
}
