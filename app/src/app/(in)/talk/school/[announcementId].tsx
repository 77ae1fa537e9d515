import { useLocalSearchParams } from 'expo-router';
import { AnnouncementView } from '../../../../announcements';

export default function Announced() {
  const { announcementId } = useLocalSearchParams<{ announcementId: string }>();
  return <AnnouncementView key={announcementId} announcementId={announcementId} />;
}
