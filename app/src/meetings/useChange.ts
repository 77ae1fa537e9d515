import type { Meeting, MeetingChange } from '@cadro/contract';
import { inTurn, useAppStore } from '../store';
import { newestMeeting, useChangeMeetingMutation } from './api';

/** Has something done to a meeting as the change before has left it. */
export function useTurn(meeting: Meeting) {
  const { getState } = useAppStore();
  return <T>(change: (newest: Meeting) => Promise<T>): Promise<T> =>
    inTurn(meeting.id, () => change(newestMeeting(getState(), meeting)));
}

/** Changes a meeting's page; whether that went well. */
export function useChange(meeting: Meeting) {
  const turn = useTurn(meeting);
  const [change, state] = useChangeMeetingMutation();
  const now = (make: (newest: Meeting) => Omit<MeetingChange, 'version'>): Promise<boolean> =>
    turn(async (newest) => {
      const changed = { version: newest.version, ...make(newest) };
      return (await change({ meetingId: newest.id, change: changed })).data !== undefined;
    });
  return { now, ...state };
}
