import { useLocalSearchParams } from 'expo-router';
import { inTalk } from '../../../places';

const NotesScreen = inTalk((talk) => talk.NotesScreen);

type Asked = Parameters<typeof NotesScreen>[0];

export default function Notes() {
  const asked = useLocalSearchParams() as Asked; // texts of the address, each of which may be missing
  return <NotesScreen key={JSON.stringify(asked)} {...asked} />;
}
