import {
  followUpRoutes as routes,
  type FollowUp,
  type FollowUpChange,
  type FollowUpSummary,
  type NewFollowUp,
} from '@cadro/contract';
import { api } from '../store/api';

export const followUpsApi = api.injectEndpoints({
  endpoints: (build) => ({
    followUps: build.query<{ followUps: FollowUpSummary[] }, void>({
      query: () => ({ route: routes.list }),
      providesTags: ['Talk'],
    }),
    followUp: build.query<FollowUp, string>({
      query: (followUpId) => ({ route: routes.read, params: { followUpId } }),
      providesTags: ['Talk'],
    }),
    takeInHand: build.mutation<FollowUp, NewFollowUp>({
      query: (body) => ({ route: routes.create, body }),
      invalidatesTags: ['Talk'],
    }),
    changeFollowUp: build.mutation<FollowUp, { followUpId: string; change: FollowUpChange }>({
      query: ({ followUpId, change }) => ({ route: routes.change, params: { followUpId }, body: change }),
      invalidatesTags: ['Talk'],
    }),
  }),
});
export const { useFollowUpsQuery, useFollowUpQuery, useTakeInHandMutation, useChangeFollowUpMutation } =
  followUpsApi;
