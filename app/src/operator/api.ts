import { operatorRoutes as routes, type BodyOf } from '@cadro/contract';
import { api, endpointsBy, nothing } from '../store';

type OfChild = { readonly studentId: string };
type OfLink = OfChild & { readonly personId: string };
const changes = { invalidatesTags: ['Operator' as const] };

const operatorApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    operatorState: by.query(routes.state, nothing, { providesTags: ['Operator'] }),
    operatorChildren: by.query(routes.children, (name: string) => ({ query: { name } })),
    operatorChild: by.query(routes.child, (studentId: string) => ({ params: { studentId } }), {
      providesTags: ['Operator'],
    }),
    operatorSignIn: by.mutation(routes.signIn, (body: BodyOf<typeof routes.signIn>) => ({ body }), changes),
    operatorSignOut: by.mutation(routes.signOut, nothing, changes),
    giveCode: by.mutation(routes.codes, (studentId: string) => ({
      body: { studentIds: [studentId], days: 60 },
    })),
    operatorClasses: by.query(routes.classes, nothing, { providesTags: ['Operator'] }),
    giveClassCodes: by.file(routes.classCodes, (body: BodyOf<typeof routes.classCodes>) => ({ body })),
    nameAs: by.mutation(
      routes.nameAs,
      ({ agent, ...params }: OfLink & BodyOf<typeof routes.nameAs>) => ({ params, body: { agent } }),
      changes,
    ),
    holdBack: by.mutation(
      routes.restrict,
      ({ studentId, ...body }: OfChild & BodyOf<typeof routes.restrict>) => ({ params: { studentId }, body }),
      changes,
    ),
    letGo: by.mutation(routes.lift, (restrictionId: string) => ({ params: { restrictionId } }), changes),
    endBySchool: by.mutation(routes.end, (params: OfLink) => ({ params }), changes),
    restoreLink: by.mutation(routes.restore, (params: OfLink) => ({ params }), changes),
  })),
});
/** The schools that are read. */
const schoolsApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    addSource: by.mutation(routes.addSource, (body: BodyOf<typeof routes.addSource>) => ({ body }), changes),
    addBundleSource: by.mutation(
      routes.addBundleSource,
      (body: BodyOf<typeof routes.addBundleSource>) => ({ body }),
      changes,
    ),
    putBundle: by.upload(
      routes.putBundle,
      ({ sourceId, file }: { readonly sourceId: string; readonly file: File }) => ({
        params: { sourceId },
        query: { name: file.name },
      }),
      changes,
    ),
    answerBundle: by.mutation(
      routes.answerBundle,
      ({ bundleId, answer }: { bundleId: string } & BodyOf<typeof routes.answerBundle>) => ({
        params: { bundleId },
        body: { answer },
      }),
      changes,
    ),
    sourceProblems: by.query(routes.sourceProblems, (sourceId: string) => ({ params: { sourceId } }), {
      providesTags: ['Operator'],
    }),
    readSource: by.mutation(routes.readSource, (sourceId: string) => ({ params: { sourceId } }), changes),
    steerSource: by.mutation(
      routes.steerSource,
      ({ sourceId, what }: { sourceId: string } & BodyOf<typeof routes.steerSource>) => ({
        params: { sourceId },
        body: { what },
      }),
      changes,
    ),
  })),
});

export const {
  useOperatorStateQuery,
  useOperatorChildrenQuery,
  useOperatorChildQuery,
  useOperatorSignInMutation,
  useOperatorSignOutMutation,
  useGiveCodeMutation,
  useGiveClassCodesMutation,
  useNameAsMutation,
  useOperatorClassesQuery,
  useHoldBackMutation,
  useLetGoMutation,
  useEndBySchoolMutation,
  useRestoreLinkMutation,
} = operatorApi;
export const {
  useAddSourceMutation,
  useAddBundleSourceMutation,
  usePutBundleMutation,
  useAnswerBundleMutation,
  useSourceProblemsQuery,
  useReadSourceMutation,
  useSteerSourceMutation,
} = schoolsApi;
