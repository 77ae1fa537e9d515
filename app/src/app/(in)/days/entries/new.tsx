import { useLocalSearchParams } from 'expo-router';
import { NewEntryScreen } from '../../../../calendar';

export default function NewEntry() {
  const params = useLocalSearchParams<{ on?: string; kind?: string; studentId?: string; itemId?: string }>();
  return <NewEntryScreen {...params} />;
}
