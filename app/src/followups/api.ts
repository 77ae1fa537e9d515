import {
  entryRoutes,
  followUpRoutes as routes,
  type EntryBody,
  type FollowUp,
  type FollowUpChange,
  type NewFollowUp,
} from '@cadro/contract';
import { api, endpointsBy, knownAtOnce, nothing, type RootState } from '../store';

const followUpsApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    followUps: by.kept(routes.list, nothing, { providesTags: ['Talk'] }),
    followUp: by.kept(routes.read, (followUpId: string) => ({ params: { followUpId } }), {
      providesTags: ['Talk'],
    }),
    takeInHand: by.mutation(routes.create, (body: NewFollowUp) => ({ body }), { invalidatesTags: ['Talk'] }),
    /** What is to be remembered stands in the calendar. */
    addEntry: by.mutation(entryRoutes.create, (body: EntryBody) => ({ body }), {
      invalidatesTags: ['Calendar', 'Talk'],
    }),
    undoFollowUp: by.mutation(routes.undo, (followUpId: string) => ({ params: { followUpId } }), {
      invalidatesTags: ['Talk'],
    }),
    changeFollowUp: by.mutation(
      routes.change,
      ({ followUpId, change }: { followUpId: string; change: FollowUpChange }) => ({
        params: { followUpId },
        body: change,
      }),
      {
        // What was changed is known at once: the next change is made on it.
        ...knownAtOnce((left: FollowUp, dispatch): void => {
          dispatch(followUpsApi.util.updateQueryData('followUp', left.id, () => left));
        }),
        invalidatesTags: ['Talk'],
      },
    ),
  })),
});
export const {
  useAddEntryMutation,
  useFollowUpsQuery,
  useFollowUpQuery,
  useTakeInHandMutation,
  useUndoFollowUpMutation,
  useChangeFollowUpMutation,
} = followUpsApi;

/** The follow-up as it was answered last. */
export const newestFollowUp = (state: RootState, followUp: FollowUp): FollowUp =>
  followUpsApi.endpoints.followUp.select(followUp.id)(state).data ?? followUp;
