import { MeetingsScreen } from '../../../../meetings';

export default function Meetings() {
  return <MeetingsScreen />;
}
