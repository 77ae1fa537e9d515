import {
  calendarRoutes,
  elsewhereRoutes,
  entryRoutes,
  type AnswerOf,
  type Calendar,
  type CalendarFeed,
  type Entry,
  type EntryBody,
  type FeedBody,
  type ImportBody,
} from '@cadro/contract';
import type { DateRange } from '@cadro/core';
import { addressOf, api } from '../store/api';

interface OfItem {
  readonly studentId: string;
  readonly itemId: string;
}
type Elsewhere = AnswerOf<typeof elsewhereRoutes.list>;
type Imported = AnswerOf<typeof elsewhereRoutes.import>;

export const calendarApi = api.injectEndpoints({
  endpoints: (build) => ({
    calendar: build.query<Calendar, DateRange>({
      query: (range) => ({ route: calendarRoutes.calendar, query: { ...range } }),
      providesTags: ['Record', 'Talk', 'Calendar'],
    }),
    ownDate: build.mutation<null, OfItem & { on: string | null }>({
      query: ({ on, ...params }) => ({ route: calendarRoutes.ownDate, params, body: { on } }),
      invalidatesTags: ['Calendar'],
    }),
    supplies: build.query<AnswerOf<typeof calendarRoutes.supplies>, void>({
      query: () => ({ route: calendarRoutes.supplies }),
      providesTags: ['Record', 'Calendar'],
    }),
    gotSupply: build.mutation<null, OfItem & { supply: string; got: boolean }>({
      query: ({ supply, got, ...params }) => ({
        route: calendarRoutes.gotSupply,
        params,
        body: { supply, got },
      }),
      invalidatesTags: ['Calendar'],
    }),
    entry: build.query<Entry, string>({
      query: (entryId) => ({ route: entryRoutes.read, params: { entryId } }),
      providesTags: ['Calendar'],
    }),
    createEntry: build.mutation<Entry, EntryBody>({
      query: (body) => ({ route: entryRoutes.create, body }),
      invalidatesTags: ['Calendar'],
    }),
    changeEntry: build.mutation<Entry, EntryBody & { entryId: string; version: number }>({
      query: ({ entryId, ...body }) => ({ route: entryRoutes.change, params: { entryId }, body }),
      invalidatesTags: ['Calendar'],
    }),
    tickEntry: build.mutation<Entry, { entryId: string; on: string; as: 'done' | 'skipped' | 'open' }>({
      query: ({ entryId, ...body }) => ({ route: entryRoutes.tick, params: { entryId }, body }),
      invalidatesTags: ['Calendar'],
    }),
    putBackEntry: build.mutation<Entry, string>({
      query: (entryId) => ({ route: entryRoutes.putBack, params: { entryId } }),
      invalidatesTags: ['Calendar'],
    }),
    removeEntry: build.mutation<null, string>({
      query: (entryId) => ({ route: entryRoutes.remove, params: { entryId } }),
      invalidatesTags: ['Calendar'],
    }),
    elsewhere: build.query<Elsewhere, void>({
      query: () => ({ route: elsewhereRoutes.list }),
      providesTags: ['Elsewhere'],
    }),
    createFeed: build.mutation<CalendarFeed, FeedBody>({
      query: (body) => ({ route: elsewhereRoutes.create, body }),
      invalidatesTags: ['Elsewhere'],
    }),
    changeFeed: build.mutation<CalendarFeed, FeedBody & { feedId: string }>({
      query: ({ feedId, ...body }) => ({ route: elsewhereRoutes.change, params: { feedId }, body }),
      invalidatesTags: ['Elsewhere'],
    }),
    renewFeed: build.mutation<CalendarFeed, string>({
      query: (feedId) => ({ route: elsewhereRoutes.renew, params: { feedId } }),
      invalidatesTags: ['Elsewhere'],
    }),
    revokeFeed: build.mutation<null, string>({
      query: (feedId) => ({ route: elsewhereRoutes.revoke, params: { feedId } }),
      invalidatesTags: ['Elsewhere'],
    }),
    importCalendar: build.mutation<Imported, ImportBody>({
      query: (body) => ({ route: elsewhereRoutes.import, body }),
      invalidatesTags: ['Elsewhere', 'Calendar'],
    }),
    forgetImport: build.mutation<null, string>({
      query: (importId) => ({ route: elsewhereRoutes.forget, params: { importId } }),
      invalidatesTags: ['Elsewhere', 'Calendar'],
    }),
  }),
});
export const {
  useCalendarQuery,
  useOwnDateMutation,
  useSuppliesQuery,
  useGotSupplyMutation,
  useEntryQuery,
  useCreateEntryMutation,
  useChangeEntryMutation,
  useTickEntryMutation,
  useRemoveEntryMutation,
  usePutBackEntryMutation,
  useElsewhereQuery,
  useCreateFeedMutation,
  useChangeFeedMutation,
  useRenewFeedMutation,
  useRevokeFeedMutation,
  useImportCalendarMutation,
  useForgetImportMutation,
} = calendarApi;

/** A range of days as an iCalendar file. */
export const icsAddress = (range: DateRange): string =>
  addressOf({ route: elsewhereRoutes.download, query: { ...range } });
