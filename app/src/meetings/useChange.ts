import type { Meeting, MeetingChange } from '@cadro/contract';
import { useChangeMeetingMutation } from './api';

/** Changes a meeting's page on the version that is shown; whether that went well. */
export function useChange({ id: meetingId, version }: Pick<Meeting, 'id' | 'version'>) {
  const [change, state] = useChangeMeetingMutation();
  const now = async (what: Omit<MeetingChange, 'version'>): Promise<boolean> =>
    Boolean((await change({ meetingId, change: { version, ...what } })).data);
  return { now, ...state };
}
