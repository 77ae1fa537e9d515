import {
  gradebookRoutes as routes,
  termRoutes,
  workRoutes,
  type AnswerOf,
  type ChildTerms,
  type CourseDetail,
  type CoursePolicy,
  type CourseRecord,
  type CourseSummary,
  type ItemDetail,
  type OfferAnswer,
  type PolicyCorrection,
} from '@cadro/contract';
import { addressOf, api } from '../store/api';

type OfComment = { readonly studentId: string; readonly commentId: string };
type Place = { readonly studentId: string; readonly courseId: string };
type Asked = Place & { readonly termId?: string | undefined };
type Correcting = Place & { readonly correction: PolicyCorrection | null };
export type PolicyPreview = AnswerOf<typeof routes.previewPolicy>;

const inTerm = ({ termId, ...params }: Asked) => ({ params, ...(termId ? { query: { termId } } : {}) });

export const gradebookApi = api.injectEndpoints({
  endpoints: (build) => ({
    courses: build.query<{ courses: CourseSummary[] }, void>({
      query: () => ({ route: routes.courses }),
      providesTags: ['Record'],
    }),
    course: build.query<CourseDetail, Asked>({
      query: (asked) => ({ route: routes.course, ...inTerm(asked) }),
      providesTags: ['Record'],
    }),
    courseRecord: build.query<CourseRecord, Asked>({
      query: (asked) => ({ route: routes.courseRecord, ...inTerm(asked) }),
      providesTags: ['Record'],
    }),
    item: build.query<ItemDetail, { studentId: string; itemId: string }>({
      query: (params) => ({ route: routes.item, params }),
      providesTags: ['Record', 'Talk'],
    }),
    policy: build.query<CoursePolicy, Place>({
      query: (params) => ({ route: routes.policy, params }),
      providesTags: ['Record'],
    }),
    previewPolicy: build.query<PolicyPreview, Correcting>({
      query: ({ correction, ...params }) => ({ route: routes.previewPolicy, params, body: { correction } }),
      providesTags: ['Record'],
    }),
    correctPolicy: build.mutation<CoursePolicy, Correcting>({
      query: ({ correction, ...params }) => ({ route: routes.correctPolicy, params, body: { correction } }),
      invalidatesTags: ['Record'],
    }),
    answerOffer: build.mutation<unknown, OfComment & OfferAnswer>({
      query: ({ studentId, commentId, ...body }) => ({
        route: workRoutes.offer,
        params: { studentId, commentId },
        body,
      }),
      invalidatesTags: ['Record', 'Talk'],
    }),
    terms: build.query<ChildTerms, string>({
      query: (studentId) => ({ route: termRoutes.terms, params: { studentId } }),
      providesTags: ['Record'],
    }),
  }),
});
export const {
  useCoursesQuery,
  useCourseQuery,
  useCourseRecordQuery,
  useLazyCourseRecordQuery,
  useItemQuery,
  usePolicyQuery,
  usePreviewPolicyQuery,
  useCorrectPolicyMutation,
  useTermsQuery,
  useAnswerOfferMutation,
} = gradebookApi;

/** The printed page of a child's term, to be opened by the browser. */
export const reportAddress = (studentId: string, termId?: string): string =>
  addressOf({ route: termRoutes.report, params: { studentId }, ...(termId ? { query: { termId } } : {}) });
