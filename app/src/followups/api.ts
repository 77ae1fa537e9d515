import {
  entryRoutes,
  followUpRoutes as routes,
  type EntryBody,
  type FollowUp,
  type FollowUpChange,
  type NewFollowUp,
} from '@cadro/contract';
import { api, endpointsBy, nothing } from '../store';

const followUpsApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    followUps: by.query(routes.list, nothing, { providesTags: ['Talk'] }),
    followUp: by.query(routes.read, (followUpId: string) => ({ params: { followUpId } }), {
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
        async onQueryStarted({ followUpId }, { dispatch, queryFulfilled }) {
          const put = (answer: { readonly data: FollowUp }) =>
            dispatch(followUpsApi.util.updateQueryData('followUp', followUpId, () => answer.data));
          await queryFulfilled.then(put, () => undefined);
        },
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
