import { useLocalSearchParams } from 'expo-router';
import { NotesScreen } from '../../../notes';

type Asked = Parameters<typeof NotesScreen>[0];

export default function Notes() {
  const asked = useLocalSearchParams() as Asked; // texts of the address, each of which may be missing
  return <NotesScreen key={JSON.stringify(asked)} {...asked} />;
}
