import {
  meetingRoutes as routes,
  sitdownRoutes,
  timeRoutes,
  type MeetingChange,
  type MeetingMove,
  type NewMeeting,
  type PaperPages,
} from '@cadro/contract';
import { addressOf, api, endpointsBy, nothing } from '../store';

type OfMeeting = { readonly meetingId: string };

const moves = { invalidatesTags: ['Meetings' as const, 'Calendar' as const] };
const meetingsApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    meetings: by.query(routes.list, nothing, { providesTags: ['Meetings'] }),
    slots: by.query(routes.slots, nothing, { providesTags: ['Meetings'] }),
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
      { invalidatesTags: ['Meetings'] },
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
      { invalidatesTags: ['Meetings'] },
    ),
    uninviteGuest: by.mutation(routes.uninvite, (params: OfMeeting & { guestId: string }) => ({ params }), {
      invalidatesTags: ['Meetings'],
    }),
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

/** The meeting as a file for a calendar. */
export const meetingFile = (meetingId: string): string => addressOf(routes.file, { params: { meetingId } });
