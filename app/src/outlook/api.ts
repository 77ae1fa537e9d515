import {
  outlookRoutes,
  tryRoutes,
  workRoutes as routes,
  type AskedAnswer,
  type Brief,
  type JointAnswer,
  type NewTry,
  type Picks,
  type Tries,
  type Work,
} from '@cadro/contract';
import { api } from '../store/api';

type OfItem = { readonly studentId: string; readonly itemId: string };
type OfCourse = { readonly studentId: string; readonly courseId: string };

export const outlookApi = api.injectEndpoints({
  endpoints: (build) => ({
    brief: build.query<Brief, void>({
      query: () => ({ route: outlookRoutes.brief }),
      providesTags: ['Record', 'Talk'],
    }),
    work: build.query<Work, void>({
      query: () => ({ route: routes.work }),
      providesTags: ['Record', 'Talk'],
    }),
    joint: build.query<JointAnswer, Picks['picks']>({
      query: (picks) => ({ route: routes.joint, body: { picks } }),
      providesTags: ['Record'],
    }),
    asked: build.mutation<unknown, OfItem & { readonly answer: AskedAnswer }>({
      query: ({ answer, ...params }) => ({ route: routes.asked, params, body: { answer } }),
      invalidatesTags: ['Talk'],
    }),
    effort: build.mutation<unknown, OfItem & { readonly minutes: number | null }>({
      query: ({ minutes, ...params }) => ({ route: routes.effort, params, body: { minutes } }),
      invalidatesTags: ['Talk'],
    }),
    tries: build.query<Tries, OfCourse>({
      query: (params) => ({ route: tryRoutes.tries, params }),
      providesTags: ['Talk'],
    }),
    keepTry: build.mutation<Tries, OfCourse & NewTry>({
      query: ({ studentId, courseId, ...body }) => ({
        route: tryRoutes.keep,
        params: { studentId, courseId },
        body,
      }),
      invalidatesTags: ['Talk'],
    }),
    forgetTry: build.mutation<Tries, OfCourse & { readonly tryId: string }>({
      query: (params) => ({ route: tryRoutes.forget, params }),
      invalidatesTags: ['Talk'],
    }),
    setTarget: build.mutation<Tries, OfCourse & { readonly target: number | null }>({
      query: ({ target, ...params }) => ({ route: tryRoutes.target, params, body: { target } }),
      invalidatesTags: ['Talk', 'Record'],
    }),
  }),
});
export const {
  useBriefQuery,
  useWorkQuery,
  useJointQuery,
  useAskedMutation,
  useEffortMutation,
  useTriesQuery,
  useKeepTryMutation,
  useForgetTryMutation,
  useSetTargetMutation,
} = outlookApi;
