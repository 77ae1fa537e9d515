import { inTalk } from '../../../../places';

const SchoolScreen = inTalk((talk) => talk.SchoolScreen);

export default function FromTheSchools() {
  return <SchoolScreen />;
}
