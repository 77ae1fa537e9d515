import {
  meetingRoutes as routes,
  sitdownRoutes,
  timeRoutes,
  type Meeting,
  type MeetingChange,
  type MeetingMove,
  type NewMeeting,
  type PaperPages,
} from '@cadro/contract';
import { addressOf, api, endpointsBy, knownAtOnce, nothing, type RootState } from '../store';

type OfMeeting = { readonly meetingId: string };

/** What a change has left is known at once: the next one is made on it. */
const known = knownAtOnce((left: Meeting, dispatch): void => {
  dispatch(
    meetingsApi.util.updateQueryData('meetings', undefined, ({ meetings }) => ({
      meetings: meetings.map((each) => (each.id === left.id ? left : each)),
    })),
  );
});
const moves = { ...known, invalidatesTags: ['Meetings' as const, 'Calendar' as const] };
const changes = { ...known, invalidatesTags: ['Meetings' as const] };
const meetingsApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    meetings: by.kept(routes.list, nothing, { providesTags: ['Meetings'] }),
    slots: by.kept(routes.slots, nothing, { providesTags: ['Meetings'] }),
    busy: by.query(timeRoutes.busy, (query: { from: string; to: string }) => ({ query }), {
      providesTags: ['Calendar'],
    }),
    bookSlot: by.mutation(
      routes.book,
      ({ slotId, studentId }: { slotId: string; studentId: string }) => ({
        params: { slotId },
        body: { studentId },
      }),
      moves,
    ),
    addMeeting: by.mutation(routes.add, (body: NewMeeting) => ({ body }), moves),
    changeMeeting: by.mutation(
      routes.change,
      ({ meetingId, change }: OfMeeting & { change: MeetingChange }) => ({
        params: { meetingId },
        body: change,
      }),
      changes,
    ),
    moveMeeting: by.mutation(
      routes.move,
      ({ meetingId, move }: OfMeeting & { move: MeetingMove }) => ({ params: { meetingId }, body: move }),
      moves,
    ),
    giveMeetingBack: by.mutation(
      routes.giveBack,
      ({ meetingId, version }: OfMeeting & { version: number }) => ({
        params: { meetingId },
        body: { version },
      }),
      moves,
    ),
    inviteGuest: by.mutation(
      routes.invite,
      ({ meetingId, ...body }: OfMeeting & { name: string; address: string }) => ({
        params: { meetingId },
        body,
      }),
      changes,
    ),
    uninviteGuest: by.mutation(
      routes.uninvite,
      (params: OfMeeting & { guestId: string }) => ({ params }),
      changes,
    ),
    timesInFile: by.mutation(timeRoutes.inFile, (body: { studentId: string; text: string }) => ({ body })),
    meetingPaper: by.file(sitdownRoutes.paper, (body: PaperPages) => ({ body })),
  })),
});
export const {
  useMeetingsQuery,
  useSlotsQuery,
  useBusyQuery,
  useBookSlotMutation,
  useAddMeetingMutation,
  useChangeMeetingMutation,
  useMoveMeetingMutation,
  useGiveMeetingBackMutation,
  useInviteGuestMutation,
  useUninviteGuestMutation,
  useTimesInFileMutation,
  useMeetingPaperMutation,
} = meetingsApi;

/** The meeting as it was answered last. */
export const newestMeeting = (state: RootState, meeting: Meeting): Meeting =>
  meetingsApi.endpoints.meetings
    .select()(state)
    .data?.meetings.find(({ id }) => id === meeting.id) ?? meeting;

/** The meeting as a file for a calendar. */
export const meetingFile = (meetingId: string): string => addressOf(routes.file, { params: { meetingId } });
