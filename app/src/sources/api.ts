import { sourceRoutes as routes, type AnswerOf } from '@cadro/contract';
import { api } from '../store/api';

export const sourcesApi = api.injectEndpoints({
  endpoints: (build) => ({
    sources: build.query<AnswerOf<typeof routes.sources>, void>({
      query: () => ({ route: routes.sources }),
      providesTags: ['Record'],
    }),
    nextDay: build.mutation<{ now: string }, void>({
      query: () => ({ route: routes.moveDemoClock }),
      invalidatesTags: ['Me', 'Record', 'Talk', 'Alerts'],
    }),
  }),
});
export const { useSourcesQuery, useNextDayMutation } = sourcesApi;
