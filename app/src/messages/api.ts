import { messageRoutes as routes, type AnswerOf, type NewMessage, type Thread } from '@cadro/contract';
import { api } from '../store/api';

export const messagesApi = api.injectEndpoints({
  endpoints: (build) => ({
    threads: build.query<AnswerOf<typeof routes.threads>, void>({
      query: () => ({ route: routes.threads }),
      providesTags: ['Talk'],
    }),
    thread: build.query<Thread, string>({
      query: (threadId) => ({ route: routes.thread, params: { threadId } }),
      providesTags: ['Talk'],
    }),
    teachers: build.query<AnswerOf<typeof routes.teachers>, string>({
      query: (studentId) => ({ route: routes.teachers, params: { studentId } }),
      providesTags: ['Talk'],
    }),
    send: build.mutation<Thread, NewMessage>({
      query: (body) => ({ route: routes.send, body }),
      invalidatesTags: ['Talk'],
    }),
  }),
});
export const { useThreadsQuery, useThreadQuery, useTeachersQuery, useSendMutation } = messagesApi;
