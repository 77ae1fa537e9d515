import type { FollowUp, FollowUpChange } from '@cadro/contract';
import { useTurns } from '../store';
import { newestFollowUp, useChangeFollowUpMutation } from './api';

type Changed = Omit<FollowUpChange, 'version'>;

/** A change that is made at once; whether that went well. */
export function useNow(followUp: FollowUp) {
  const [change, { isLoading, error }] = useChangeFollowUpMutation();
  const turn = useTurns<FollowUp, Changed>(
    followUp.id,
    (state) => newestFollowUp(state, followUp),
    (changed) => change({ followUpId: followUp.id, change: changed }),
  );
  const now = (make: Changed | ((newest: FollowUp) => Changed)) =>
    turn(typeof make === 'function' ? make : () => make);
  return { now, isLoading, error };
}
