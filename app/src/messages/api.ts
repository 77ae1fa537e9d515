import { messageRoutes as routes, type BodyOf, type NewLetters, type NewMessage } from '@cadro/contract';
import { api, endpointsBy, nothing } from '../store';

const messagesApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    threads: by.kept(routes.threads, nothing, { providesTags: ['Talk'] }),
    thread: by.kept(
      routes.thread,
      ({ threadId, before }: { threadId: string; before?: string }) => ({
        params: { threadId },
        query: before ? { before } : {},
      }),
      { providesTags: ['Talk'] },
    ),
    teachers: by.kept(routes.teachers, (studentId: string) => ({ params: { studentId } }), {
      providesTags: ['Talk'],
    }),
    saySender: by.mutation(
      routes.sender,
      ({ known, ...params }: { threadId: string; messageId: string; known: boolean }) => ({
        params,
        body: { known },
      }),
      { invalidatesTags: ['Talk'] },
    ),
    takeBack: by.mutation(routes.takeBack, (messageId: string) => ({ params: { messageId } }), {
      invalidatesTags: ['Talk'],
    }),
    sendSeveral: by.mutation(routes.sendSeveral, (body: NewLetters) => ({ body }), {
      invalidatesTags: ['Talk'],
    }),
    paper: by.file(routes.paper, (body: BodyOf<typeof routes.paper>) => ({ body })),
    send: by.mutation(routes.send, (body: NewMessage) => ({ body }), { invalidatesTags: ['Talk'] }),
  })),
});
export const {
  useThreadsQuery,
  useThreadQuery,
  useTeachersQuery,
  useSaySenderMutation,
  useSendMutation,
  useSendSeveralMutation,
  usePaperMutation,
  useTakeBackMutation,
} = messagesApi;
