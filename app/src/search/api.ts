import { searchRoutes } from '@cadro/contract';
import { api, endpointsBy } from '../store';

const searchApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    searchAll: by.query(searchRoutes.search, (q: string) => ({ query: { q } }), {
      providesTags: ['Record', 'Talk', 'Announced', 'Notes', 'Meetings'],
    }),
  })),
});
export const { useSearchAllQuery } = searchApi;
