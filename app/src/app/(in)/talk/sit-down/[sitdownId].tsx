import { useLocalSearchParams } from 'expo-router';
import { PastScreen } from '../../../../sitdown';

export default function Past() {
  const { sitdownId } = useLocalSearchParams<{ sitdownId: string }>();
  return <PastScreen key={sitdownId} sitdownId={sitdownId} />;
}
