import { useLocalSearchParams } from 'expo-router';
import { EntryScreen } from '../../../../calendar';

export default function OneEntry() {
  const { entryId, on } = useLocalSearchParams<{ entryId: string; on?: string }>();
  return <EntryScreen entryId={entryId} {...(on ? { on } : {})} />;
}
