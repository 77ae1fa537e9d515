import type { FollowUp, FollowUpChange } from '@cadro/contract';
import { useChangeFollowUpMutation } from './api';

/** A change that is made at once, on the version that is shown. */
export function useNow({ id, version }: Pick<FollowUp, 'id' | 'version'>) {
  const [change, { isLoading, error }] = useChangeFollowUpMutation();
  const now = async (what: Omit<FollowUpChange, 'version'>): Promise<boolean> =>
    Boolean((await change({ followUpId: id, change: { version, ...what } })).data);
  return { now, isLoading, error };
}
