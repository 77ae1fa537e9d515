import { useLocalSearchParams } from 'expo-router';
import { WriteScreen } from '../../../messages';

type Asked = Parameters<typeof WriteScreen>[0];

export default function Write() {
  const asked = useLocalSearchParams() as Asked; // texts of the address, each of which may be missing
  return <WriteScreen key={JSON.stringify(asked)} {...asked} />;
}
