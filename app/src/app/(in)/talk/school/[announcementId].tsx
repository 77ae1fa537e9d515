import { useLocalSearchParams } from 'expo-router';
import { inTalk } from '../../../../places';

const AnnouncementView = inTalk((talk) => talk.AnnouncementView);

export default function Announced() {
  const { announcementId } = useLocalSearchParams<{ announcementId: string }>();
  return <AnnouncementView key={announcementId} announcementId={announcementId} />;
}
