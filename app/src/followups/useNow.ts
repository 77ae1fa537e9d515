import type { FollowUp, FollowUpChange } from '@cadro/contract';
import { inTurn, useAppStore } from '../store';
import { newestFollowUp, useChangeFollowUpMutation } from './api';

type Changed = Omit<FollowUpChange, 'version'>;

/** A change that is made at once, on what the change before has left; whether that went well. */
export function useNow(followUp: FollowUp) {
  const { getState } = useAppStore();
  const [change, { isLoading, error }] = useChangeFollowUpMutation();
  const now = (make: Changed | ((newest: FollowUp) => Changed)): Promise<boolean> =>
    inTurn(followUp.id, async () => {
      const newest = newestFollowUp(getState(), followUp);
      const { data } = await change({
        followUpId: followUp.id,
        change: { version: newest.version, ...(typeof make === 'function' ? make(newest) : make) },
      });
      return data !== undefined;
    });
  return { now, isLoading, error };
}
