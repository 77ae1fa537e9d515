import { doorRoutes as door, householdRoutes as routes, type BodyOf, type Me } from '@cadro/contract';
import { api, endpointsBy, nothing, sessionBegun, tags, type RootState, type store } from '../../store';
import { body, householdApi } from '../api';

interface Entering {
  readonly dispatch: typeof store.dispatch;
  readonly getState: () => unknown;
  readonly queryFulfilled: Promise<{ data: Me }>;
}

/** Whoever has got in is known at once, without being asked again. */
const entered = {
  onQueryStarted: async (
    _given: unknown,
    { dispatch, getState, queryFulfilled }: Entering,
  ): Promise<void> => {
    const answer = await queryFulfilled.catch(() => null);
    if (!answer) return;
    const before = householdApi.endpoints.me.select()(getState() as RootState).data;
    // Somebody else's page is not gone on with.
    if (before && before.id !== answer.data.id) return window.location.assign('/brief');
    dispatch(householdApi.util.upsertQueryData('me', undefined, answer.data));
    dispatch(sessionBegun());
    if (before) dispatch(api.util.invalidateTags([...tags]));
  },
};

const doorApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    signIn: by.mutation(routes.signIn, body<BodyOf<typeof routes.signIn>>, entered),
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
  })),
});
export const {
  useSignInMutation,
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
} = doorApi;
