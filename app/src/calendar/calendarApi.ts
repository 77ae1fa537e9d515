import { calendarRoutes, entryRoutes, type EntryBody } from '@cadro/contract';
import type { DateRange } from '@cadro/core';
import { api, endpointsBy, nothing } from '../store';

interface OfItem {
  readonly studentId: string;
  readonly itemId: string;
}

const calendarApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    calendar: by.kept(calendarRoutes.calendar, (range: DateRange) => ({ query: { ...range } }), {
      providesTags: ['Record', 'Talk', 'Calendar'],
    }),
    ownDate: by.mutation(
      calendarRoutes.ownDate,
      ({ on, ...params }: OfItem & { on: string | null }) => ({ params, body: { on } }),
      { invalidatesTags: ['Calendar'] },
    ),
    supplies: by.kept(calendarRoutes.supplies, nothing, { providesTags: ['Record', 'Calendar'] }),
    gotSupply: by.mutation(
      calendarRoutes.gotSupply,
      ({ supply, got, ...params }: OfItem & { supply: string; got: boolean }) => ({
        params,
        body: { supply, got },
      }),
      { invalidatesTags: ['Calendar'] },
    ),
    entry: by.kept(entryRoutes.read, (entryId: string) => ({ params: { entryId } }), {
      providesTags: ['Calendar'],
    }),
    createEntry: by.mutation(entryRoutes.create, (body: EntryBody) => ({ body }), {
      invalidatesTags: ['Calendar'],
    }),
    changeEntry: by.mutation(
      entryRoutes.change,
      ({ entryId, ...body }: EntryBody & { entryId: string; version: number }) => ({
        params: { entryId },
        body,
      }),
      { invalidatesTags: ['Calendar'] },
    ),
    tickEntry: by.mutation(
      entryRoutes.tick,
      ({ entryId, ...body }: { entryId: string; on: string; as: 'done' | 'skipped' | 'open' }) => ({
        params: { entryId },
        body,
      }),
      { invalidatesTags: ['Calendar'] },
    ),
    putBackEntry: by.mutation(entryRoutes.putBack, (entryId: string) => ({ params: { entryId } }), {
      invalidatesTags: ['Calendar'],
    }),
    removeEntry: by.mutation(entryRoutes.remove, (entryId: string) => ({ params: { entryId } }), {
      invalidatesTags: ['Calendar'],
    }),
  })),
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
} = calendarApi;
