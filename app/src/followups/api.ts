import { followUpRoutes as routes, type FollowUpChange, type NewFollowUp } from '@cadro/contract';
import { api, endpointsBy, nothing } from '../store';

const followUpsApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    followUps: by.query(routes.list, nothing, { providesTags: ['Talk'] }),
    followUp: by.query(routes.read, (followUpId: string) => ({ params: { followUpId } }), {
      providesTags: ['Talk'],
    }),
    takeInHand: by.mutation(routes.create, (body: NewFollowUp) => ({ body }), { invalidatesTags: ['Talk'] }),
    undoFollowUp: by.mutation(routes.undo, (followUpId: string) => ({ params: { followUpId } }), {
      invalidatesTags: ['Talk'],
    }),
    changeFollowUp: by.mutation(
      routes.change,
      ({ followUpId, change }: { followUpId: string; change: FollowUpChange }) => ({
        params: { followUpId },
        body: change,
      }),
      { invalidatesTags: ['Talk'] },
    ),
  })),
});
export const {
  useFollowUpsQuery,
  useFollowUpQuery,
  useTakeInHandMutation,
  useUndoFollowUpMutation,
  useChangeFollowUpMutation,
} = followUpsApi;
