import { Slot, useGlobalSearchParams } from 'expo-router';
import { TalkList } from '../../../messages';
import { Loading, Panes, useWide } from '../../../ui';

/** On a wide screen what is in hand stays beside whatever is open. */
export default function Talk() {
  const { followUpId, threadId } = useGlobalSearchParams<{ followUpId?: string; threadId?: string }>();
  const selected = followUpId ?? threadId;
  if (!useWide()) return <Slot />;
  return <Panes list={<TalkList {...(selected ? { selected } : {})} />} detail={<Slot />} />;
}

/** While a screen's code is on its way. */
export const SuspenseFallback = () => <Loading />;
