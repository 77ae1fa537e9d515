import { elsewhereRoutes, type BodyOf, type FeedBody, type ImportBody } from '@cadro/contract';
import type { DateRange } from '@cadro/core';
import { addressOf, api, endpointsBy, nothing } from '../../store';

const elsewhereApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    elsewhere: by.query(elsewhereRoutes.list, nothing, { providesTags: ['Elsewhere'] }),
    createFeed: by.mutation(elsewhereRoutes.create, (body: FeedBody) => ({ body }), {
      invalidatesTags: ['Elsewhere'],
    }),
    changeFeed: by.mutation(
      elsewhereRoutes.change,
      ({ feedId, ...body }: FeedBody & { feedId: string }) => ({ params: { feedId }, body }),
      { invalidatesTags: ['Elsewhere'] },
    ),
    renewFeed: by.mutation(elsewhereRoutes.renew, (feedId: string) => ({ params: { feedId } }), {
      invalidatesTags: ['Elsewhere'],
    }),
    revokeFeed: by.mutation(elsewhereRoutes.revoke, (feedId: string) => ({ params: { feedId } }), {
      invalidatesTags: ['Elsewhere'],
    }),
    importCalendar: by.mutation(elsewhereRoutes.import, (body: ImportBody) => ({ body }), {
      invalidatesTags: ['Elsewhere', 'Calendar'],
    }),
    followCalendar: by.mutation(
      elsewhereRoutes.follow,
      (body: BodyOf<typeof elsewhereRoutes.follow>) => ({ body }),
      { invalidatesTags: ['Elsewhere', 'Calendar', 'Record'] },
    ),
    forgetImport: by.mutation(elsewhereRoutes.forget, (importId: string) => ({ params: { importId } }), {
      invalidatesTags: ['Elsewhere', 'Calendar'],
    }),
  })),
});
export const {
  useElsewhereQuery,
  useCreateFeedMutation,
  useChangeFeedMutation,
  useRenewFeedMutation,
  useRevokeFeedMutation,
  useImportCalendarMutation,
  useFollowCalendarMutation,
  useForgetImportMutation,
} = elsewhereApi;

/** A range of days as an iCalendar file. */
export const icsAddress = (range: DateRange): string =>
  addressOf(elsewhereRoutes.download, { query: { ...range } });
