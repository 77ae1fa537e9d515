import { announcementRoutes as routes, type AnnouncementState, type NewAnswer } from '@cadro/contract';
import { api, endpointsBy, nothing } from '../store';

const announcementsApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    announcements: by.kept(routes.list, nothing, { providesTags: ['Announced'] }),
    announcement: by.kept(routes.read, (announcementId: string) => ({ params: { announcementId } }), {
      providesTags: ['Announced'],
    }),
    keepAnnouncement: by.mutation(
      routes.keep,
      ({ announcementId, state }: { announcementId: string; state: AnnouncementState }) => ({
        params: { announcementId },
        body: state,
      }),
      { invalidatesTags: ['Announced'] },
    ),
    answerSchool: by.mutation(
      routes.answer,
      ({ body, ...params }: { announcementId: string; studentId: string; body: NewAnswer }) => ({
        params,
        body,
      }),
      { invalidatesTags: ['Announced', 'Talk'] },
    ),
    takePart: by.mutation(routes.take, (params: { announcementId: string; part: string }) => ({ params }), {
      invalidatesTags: ['Announced', 'Calendar'],
    }),
    leavePart: by.mutation(routes.leave, (params: { announcementId: string; part: string }) => ({ params }), {
      invalidatesTags: ['Announced', 'Calendar'],
    }),
  })),
});
export const {
  useAnnouncementsQuery,
  useAnnouncementQuery,
  useKeepAnnouncementMutation,
  useAnswerSchoolMutation,
  useTakePartMutation,
  useLeavePartMutation,
} = announcementsApi;
