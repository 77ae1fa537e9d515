import {
  newsRoutes,
  outlookRoutes,
  tryRoutes,
  workRoutes as routes,
  type AskedAnswer,
  type NewTry,
  type Picks,
} from '@cadro/contract';
import { api, endpointsBy, nothing } from '../store';

type OfItem = { readonly studentId: string; readonly itemId: string };
type OfCourse = { readonly studentId: string; readonly courseId: string };

const outlookApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    brief: by.kept(outlookRoutes.brief, nothing, { providesTags: ['Record', 'Talk'] }),
    news: by.kept(newsRoutes.news, (query: { readonly week?: string }) => ({ query }), {
      providesTags: ['Record', 'Talk'],
    }),
    lookedAtNews: by.mutation(newsRoutes.looked, (body: { readonly upTo: string }) => ({ body })),
    work: by.kept(routes.work, nothing, { providesTags: ['Record', 'Talk'] }),
    joint: by.query(routes.joint, (picks: Picks['picks']) => ({ body: { picks } }), {
      providesTags: ['Record'],
    }),
    asked: by.mutation(
      routes.asked,
      ({ answer, ...params }: OfItem & { readonly answer: AskedAnswer }) => ({ params, body: { answer } }),
      { invalidatesTags: ['Talk'] },
    ),
    effort: by.mutation(
      routes.effort,
      ({ minutes, ...params }: OfItem & { readonly minutes: number | null }) => ({
        params,
        body: { minutes },
      }),
      { invalidatesTags: ['Talk'] },
    ),
    tries: by.kept(tryRoutes.tries, (params: OfCourse) => ({ params }), { providesTags: ['Talk'] }),
    keepTry: by.mutation(
      tryRoutes.keep,
      ({ studentId, courseId, ...body }: OfCourse & NewTry) => ({ params: { studentId, courseId }, body }),
      { invalidatesTags: ['Talk'] },
    ),
    forgetTry: by.mutation(
      tryRoutes.forget,
      (params: OfCourse & { readonly tryId: string }) => ({ params }),
      { invalidatesTags: ['Talk'] },
    ),
    setTarget: by.mutation(
      tryRoutes.target,
      ({ target, ...params }: OfCourse & { readonly target: number | null }) => ({
        params,
        body: { target },
      }),
      { invalidatesTags: ['Talk', 'Record'] },
    ),
  })),
});
export const {
  useBriefQuery,
  useNewsQuery,
  useLookedAtNewsMutation,
  useWorkQuery,
  useJointQuery,
  useAskedMutation,
  useEffortMutation,
  useTriesQuery,
  useKeepTryMutation,
  useForgetTryMutation,
  useSetTargetMutation,
} = outlookApi;
