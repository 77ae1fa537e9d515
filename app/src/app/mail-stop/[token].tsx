import { useLocalSearchParams } from 'expo-router';
import { inDoor } from '../../places';

const MailStopScreen = inDoor((door) => door.MailStopScreen);

/** Open to whoever holds the address out of a mail. */
export default function MailStop() {
  const { token } = useLocalSearchParams<{ token: string }>();
  return <MailStopScreen token={token} />;
}
