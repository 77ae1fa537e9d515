import {
  doorRoutes as door,
  draftRoutes,
  householdRoutes as routes,
  keepingRoutes as keeping,
  type BodyOf,
  type KeptDraft,
  type Me,
} from '@cadro/contract';
import { api, endpointsBy, nothing, type store } from '../store';

/** Whoever has got in is known at once, without being asked again. */
const entered = {
  onQueryStarted: async (
    _given: unknown,
    { dispatch, queryFulfilled }: { dispatch: typeof store.dispatch; queryFulfilled: Promise<{ data: Me }> },
  ): Promise<void> => {
    const answer = await queryFulfilled.catch(() => null);
    if (answer) dispatch(householdApi.util.upsertQueryData('me', undefined, answer.data));
  },
};

const body = <B>(given: B): { body: B } => ({ body: given });

export const householdApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    me: by.query(routes.me, nothing, { providesTags: ['Me'] }),
    signIn: by.mutation(routes.signIn, body<BodyOf<typeof routes.signIn>>, entered),
    signOut: by.mutation(routes.signOut, nothing),
    changeMe: by.mutation(routes.changeMe, body<BodyOf<typeof routes.changeMe>>, {
      invalidatesTags: ['Me'],
    }),
    drafts: by.query(draftRoutes.drafts, nothing, { providesTags: ['Begun'] }),
    keepDraft: by.mutation(draftRoutes.keep, body<KeptDraft>, {
      invalidatesTags: ['Begun'],
    }),
    dropDraft: by.mutation(draftRoutes.drop, (key: string) => ({ body: { key } }), {
      invalidatesTags: ['Begun'],
    }),
    previewLink: by.mutation(routes.previewLink, (code: string) => ({ body: { code } })),
    link: by.mutation(routes.link, (code: string) => ({ body: { code } }), {
      invalidatesTags: ['Me', 'Record', 'Talk'],
    }),
    lookAtCode: by.mutation(door.look, (code: string) => ({ body: { code } })),
    come: by.mutation(door.come, body<BodyOf<typeof door.come>>, entered),
    comeLater: by.mutation(door.later, body<BodyOf<typeof door.later>>),
    confirmAddress: by.mutation(door.confirm, (token: string) => ({ body: { token } }), {
      invalidatesTags: ['Me', 'Safety'],
    }),
    forgottenPassword: by.mutation(door.forgotten, (email: string) => ({ body: { email } })),
    newPassword: by.mutation(door.newPassword, body<BodyOf<typeof door.newPassword>>),
    secondSteps: by.query(door.secondSteps, nothing),
    secondStep: by.mutation(door.second, (code: string) => ({ body: { code } }), entered),
    askForPasskey: by.mutation(door.passkeyAsked, (keep: boolean) => ({ body: { keep } })),
    passkeyStep: by.mutation(door.passkey, body<BodyOf<typeof door.passkey>>, entered),
    safety: by.query(keeping.safety, nothing, { providesTags: ['Safety'] }),
    confirmAgain: by.mutation(keeping.confirmAgain, nothing),
    changePassword: by.mutation(keeping.password, body<BodyOf<typeof keeping.password>>, {
      invalidatesTags: ['Safety'],
    }),
    changeAddress: by.mutation(keeping.address, body<BodyOf<typeof keeping.address>>, {
      invalidatesTags: ['Safety'],
    }),
    keepAddress: by.mutation(keeping.keepAddress, nothing, { invalidatesTags: ['Safety'] }),
    endSession: by.mutation(keeping.endSession, (sessionId: string) => ({ params: { sessionId } }), {
      invalidatesTags: ['Safety'],
    }),
    endOtherSessions: by.mutation(keeping.endOthers, nothing, { invalidatesTags: ['Safety'] }),
    askForNewPasskey: by.mutation(keeping.passkeyOptions, (password: string) => ({ body: { password } })),
    addPasskey: by.mutation(keeping.addPasskey, body<BodyOf<typeof keeping.addPasskey>>, {
      invalidatesTags: ['Safety'],
    }),
    dropPasskey: by.mutation(
      keeping.dropPasskey,
      ({ passkeyId, password }: { passkeyId: string; password: string }) => ({
        params: { passkeyId },
        body: { password },
      }),
      { invalidatesTags: ['Safety'] },
    ),
    startOneTime: by.mutation(keeping.oneTime, (password: string) => ({ body: { password } })),
    oneTimeWorks: by.mutation(keeping.oneTimeWorks, (code: string) => ({ body: { code } })),
    dropOneTime: by.mutation(keeping.dropOneTime, (password: string) => ({ body: { password } }), {
      invalidatesTags: ['Safety'],
    }),
  })),
});
export const {
  useMeQuery,
  useSignInMutation,
  useSignOutMutation,
  useChangeMeMutation,
  useDraftsQuery,
  useKeepDraftMutation,
  useDropDraftMutation,
  usePreviewLinkMutation,
  useLinkMutation,
  useLookAtCodeMutation,
  useComeMutation,
  useComeLaterMutation,
  useConfirmAddressMutation,
  useForgottenPasswordMutation,
  useNewPasswordMutation,
  useSecondStepsQuery,
  useSecondStepMutation,
  useAskForPasskeyMutation,
  usePasskeyStepMutation,
  useSafetyQuery,
  useConfirmAgainMutation,
  useChangePasswordMutation,
  useChangeAddressMutation,
  useKeepAddressMutation,
  useEndSessionMutation,
  useEndOtherSessionsMutation,
  useAskForNewPasskeyMutation,
  useAddPasskeyMutation,
  useDropPasskeyMutation,
  useStartOneTimeMutation,
  useOneTimeWorksMutation,
  useDropOneTimeMutation,
} = householdApi;
