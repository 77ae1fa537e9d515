import { sourceRoutes as routes } from '@cadro/contract';
import { api, endpointsBy, nothing } from '../store';

const sourcesApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    sources: by.query(routes.sources, nothing, { providesTags: ['Record'] }),
    nextDay: by.mutation(routes.moveDemoClock, nothing, {
      invalidatesTags: ['Me', 'Record', 'Talk', 'Alerts'],
    }),
  })),
});
export const { useSourcesQuery, useNextDayMutation } = sourcesApi;
