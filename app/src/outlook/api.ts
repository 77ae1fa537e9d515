import { outlookRoutes as routes, type Brief, type Work } from '@cadro/contract';
import { api } from '../store/api';

export const outlookApi = api.injectEndpoints({
  endpoints: (build) => ({
    brief: build.query<Brief, void>({
      query: () => ({ route: routes.brief }),
      providesTags: ['Record', 'Talk'],
    }),
    work: build.query<Work, void>({
      query: () => ({ route: routes.work }),
      providesTags: ['Record', 'Talk'],
    }),
  }),
});
export const { useBriefQuery, useWorkQuery } = outlookApi;
