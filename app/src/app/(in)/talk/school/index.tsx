import { SchoolScreen } from '../../../../announcements';

export default function FromTheSchools() {
  return <SchoolScreen />;
}
