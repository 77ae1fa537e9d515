import { dayRoutes as routes, type AbsenceLetter, type AnswerOf, type ChildDay } from '@cadro/contract';
import { api } from '../../store';

type InHand = AnswerOf<typeof routes.letter>;
export interface DayOf {
  readonly studentId: string;
  readonly on: string;
}

const dayApi = api.injectEndpoints({
  endpoints: (build) => ({
    day: build.query<ChildDay, DayOf>({
      query: (params) => ({ route: routes.day, params: { ...params } }),
      providesTags: ['Record', 'Talk'],
    }),
    letter: build.mutation<InHand, AbsenceLetter & { studentId: string }>({
      query: ({ studentId, ...body }) => ({ route: routes.letter, params: { studentId }, body }),
      invalidatesTags: ['Talk', 'Record'],
    }),
    catchUp: build.mutation<InHand, DayOf & { title: string }>({
      query: ({ title, ...params }) => ({ route: routes.catchUp, params: { ...params }, body: { title } }),
      invalidatesTags: ['Talk', 'Record'],
    }),
  }),
});
export const { useDayQuery, useLetterMutation, useCatchUpMutation } = dayApi;
