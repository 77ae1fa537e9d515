import { useLocalSearchParams } from 'expo-router';
import { inDays } from '../../../../places';

const EntryScreen = inDays((days) => days.EntryScreen);

export default function OneEntry() {
  const { entryId, on } = useLocalSearchParams<{ entryId: string; on?: string }>();
  return <EntryScreen entryId={entryId} {...(on ? { on } : {})} />;
}
