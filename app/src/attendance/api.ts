import { attendanceRoutes as routes, type AnswerOf } from '@cadro/contract';
import { api } from '../store/api';

export const attendanceApi = api.injectEndpoints({
  endpoints: (build) => ({
    days: build.query<AnswerOf<typeof routes.days>, void>({
      query: () => ({ route: routes.days }),
      providesTags: ['Record'],
    }),
  }),
});
export const { useDaysQuery } = attendanceApi;
