import { useLocalSearchParams } from 'expo-router';
import { inTalk } from '../../../places';

const WriteScreen = inTalk((talk) => talk.WriteScreen);

type Asked = Parameters<typeof WriteScreen>[0];

export default function Write() {
  const asked = useLocalSearchParams() as Asked; // texts of the address, each of which may be missing
  return <WriteScreen key={JSON.stringify(asked)} {...asked} />;
}
