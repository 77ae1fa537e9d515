import { useLocalSearchParams } from 'expo-router';
import { inTalk } from '../../../../places';

const PastScreen = inTalk((talk) => talk.PastScreen);

export default function Past() {
  const { sitdownId } = useLocalSearchParams<{ sitdownId: string }>();
  return <PastScreen key={sitdownId} sitdownId={sitdownId} />;
}
