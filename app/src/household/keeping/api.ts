import { keepingRoutes as keeping, type BodyOf } from '@cadro/contract';
import { addressOf, api, endpointsBy, nothing } from '../../store';
import { body } from '../api';

const keepingApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    safety: by.query(keeping.safety, nothing, { providesTags: ['Safety'] }),
    confirmAgain: by.mutation(keeping.confirmAgain, nothing),
    changePassword: by.mutation(keeping.password, body<BodyOf<typeof keeping.password>>, {
      invalidatesTags: ['Safety'],
    }),
    changeAddress: by.mutation(keeping.address, body<BodyOf<typeof keeping.address>>, {
      invalidatesTags: ['Safety'],
    }),
    keepAddress: by.mutation(keeping.keepAddress, nothing, { invalidatesTags: ['Safety'] }),
    leave: by.mutation(keeping.leave, (password: string) => ({ body: { password } }), {
      invalidatesTags: ['Me', 'Safety'],
    }),
    stay: by.mutation(keeping.stay, nothing, { invalidatesTags: ['Me'] }),
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
  useSafetyQuery,
  useConfirmAgainMutation,
  useChangePasswordMutation,
  useChangeAddressMutation,
  useKeepAddressMutation,
  useLeaveMutation,
  useStayMutation,
  useEndSessionMutation,
  useEndOtherSessionsMutation,
  useAskForNewPasskeyMutation,
  useAddPasskeyMutation,
  useDropPasskeyMutation,
  useStartOneTimeMutation,
  useOneTimeWorksMutation,
  useDropOneTimeMutation,
} = keepingApi;

/** Where everything there is stands as one archive. */
export const exportAddress = addressOf(keeping.exported, {});
