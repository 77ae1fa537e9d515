import { useLocalSearchParams } from 'expo-router';
import { inDays } from '../../../../places';

const NewEntryScreen = inDays((days) => days.NewEntryScreen);

export default function NewEntry() {
  const params = useLocalSearchParams<{ on?: string; kind?: string; studentId?: string; itemId?: string }>();
  return <NewEntryScreen {...params} />;
}
