import { Slot, useGlobalSearchParams, usePathname } from 'expo-router';
import { useWide } from '../../../ui';
import { inTalk } from '../../../places';

const TalkPanes = inTalk((talk) => talk.TalkPanes);

/** On a wide screen what is in hand stays beside whatever is open. */
export default function Talk() {
  const asked = useGlobalSearchParams() as Parameters<typeof TalkPanes>[0]['asked']; // texts of the address, each of which may be missing
  const path = usePathname();
  // Everybody sits around it: it takes all the room there is.
  const whole = path.startsWith('/talk/sit-down');
  if (!useWide() || whole) return <Slot />;
  return (
    <TalkPanes asked={asked}>
      <Slot />
    </TalkPanes>
  );
}
