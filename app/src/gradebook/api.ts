import {
  gradebookRoutes as routes,
  outRoutes,
  termRoutes,
  workRoutes,
  type OfferAnswer,
  type PolicyCorrection,
} from '@cadro/contract';
import { addressOf, api, endpointsBy, nothing } from '../store';

type OfComment = { readonly studentId: string; readonly commentId: string };
type Place = { readonly studentId: string; readonly courseId: string };
type Asked = Place & { readonly termId?: string | undefined };
type Correcting = Place & { readonly correction: PolicyCorrection | null };

const inTerm = ({ termId, ...params }: Asked) => ({ params, ...(termId ? { query: { termId } } : {}) });

const gradebookApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    outClients: by.query(outRoutes.clients, nothing, { providesTags: ['Safety'] }),
    addOutClient: by.mutation(outRoutes.addClient, (name: string) => ({ body: { name } }), {
      invalidatesTags: ['Safety'],
    }),
    dropOutClient: by.mutation(outRoutes.dropClient, (clientId: string) => ({ params: { clientId } }), {
      invalidatesTags: ['Safety'],
    }),
    courses: by.kept(routes.courses, nothing, { providesTags: ['Record'] }),
    course: by.kept(routes.course, (asked: Asked) => ({ ...inTerm(asked) }), { providesTags: ['Record'] }),
    courseRecord: by.kept(routes.courseRecord, (asked: Asked) => ({ ...inTerm(asked) }), {
      providesTags: ['Record'],
    }),
    item: by.kept(routes.item, (params: { studentId: string; itemId: string }) => ({ params }), {
      providesTags: ['Record', 'Talk'],
    }),
    policy: by.kept(routes.policy, (params: Place) => ({ params }), { providesTags: ['Record'] }),
    previewPolicy: by.query(
      routes.previewPolicy,
      ({ correction, ...params }: Correcting) => ({ params, body: { correction } }),
      { providesTags: ['Record'] },
    ),
    correctPolicy: by.mutation(
      routes.correctPolicy,
      ({ correction, ...params }: Correcting) => ({ params, body: { correction } }),
      { invalidatesTags: ['Record'] },
    ),
    answerOffer: by.mutation(
      workRoutes.offer,
      ({ studentId, commentId, ...body }: OfComment & OfferAnswer) => ({
        params: { studentId, commentId },
        body,
      }),
      { invalidatesTags: ['Record', 'Talk'] },
    ),
    terms: by.kept(termRoutes.terms, (studentId: string) => ({ params: { studentId } }), {
      providesTags: ['Record'],
    }),
  })),
});
export const {
  useCoursesQuery,
  useOutClientsQuery,
  useAddOutClientMutation,
  useDropOutClientMutation,
  useCourseQuery,
  useLazyCourseQuery,
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
/** Where a teacher's spoken words are played from. */
/** Asks for one course from outside of a component. */
export const courseOf = gradebookApi.endpoints.course.initiate;

export const recordingAddress = (studentId: string, commentId: string): string =>
  addressOf(routes.recording, { params: { studentId, commentId } });

/** The grid of a school year on paper. */
export const cardsAddress = (studentId: string, yearId: string): string =>
  addressOf(termRoutes.cards, { params: { studentId }, query: { yearId } });

export const reportAddress = (studentId: string, termId?: string): string =>
  addressOf(termRoutes.report, { params: { studentId }, ...(termId ? { query: { termId } } : {}) });
