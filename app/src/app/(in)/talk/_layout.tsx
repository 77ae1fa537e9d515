import { Slot, useGlobalSearchParams, usePathname } from 'expo-router';
import { Panes, useWide } from '../../../ui';
import { inTalk } from '../../../places';

const TalkList = inTalk((talk) => talk.TalkList);

/** On a wide screen what is in hand stays beside whatever is open. */
export default function Talk() {
  const { followUpId, threadId, announcementId } = useGlobalSearchParams<{
    followUpId?: string;
    threadId?: string;
    announcementId?: string;
  }>();
  const selected = followUpId ?? threadId ?? announcementId;
  const path = usePathname();
  // Everybody sits around it: it takes all the room there is.
  const whole = path.startsWith('/talk/sit-down');
  if (!useWide() || whole) return <Slot />;
  return <Panes list={<TalkList {...(selected ? { selected } : {})} />} detail={<Slot />} />;
}
