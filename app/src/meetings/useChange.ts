import type { Meeting, MeetingChange } from '@cadro/contract';
import { useTurns } from '../store';
import { newestMeeting, useChangeMeetingMutation } from './api';

/** Has something done to a meeting. @param send sends it, with the version that it is made on. */
export const useTurn = <C extends object>(
  meeting: Meeting,
  send: (change: C & { readonly version: number }) => PromiseLike<{ data?: unknown }>,
) => useTurns<Meeting, C>(meeting.id, (state) => newestMeeting(state, meeting), send);

/** Changes a meeting's page; whether that went well. */
export function useChange(meeting: Meeting) {
  const [change, state] = useChangeMeetingMutation();
  const now = useTurn<Omit<MeetingChange, 'version'>>(meeting, (changed) =>
    change({ meetingId: meeting.id, change: changed }),
  );
  return { now, ...state };
}
