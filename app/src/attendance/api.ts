import {
  attendanceRoutes as routes,
  type AnswerOf,
  type CodeMeaning,
  type MarksFile,
  type MarksRead,
} from '@cadro/contract';
import { addressOf, api } from '../store/api';

export const attendanceApi = api.injectEndpoints({
  endpoints: (build) => ({
    days: build.query<AnswerOf<typeof routes.days>, void>({
      query: () => ({ route: routes.days }),
      providesTags: ['Record'],
    }),
    meaning: build.mutation<null, CodeMeaning & { studentId: string }>({
      query: ({ studentId, ...body }) => ({ route: routes.meaning, params: { studentId }, body }),
      invalidatesTags: ['Record'],
    }),
    readMarks: build.mutation<MarksRead, MarksFile & { studentId: string }>({
      query: ({ studentId, ...body }) => ({ route: routes.readMarks, params: { studentId }, body }),
      invalidatesTags: (answer) => (answer?.written ? ['Record'] : []),
    }),
  }),
});
export const { useDaysQuery, useMeaningMutation, useReadMarksMutation } = attendanceApi;

export const marksCsvAddress = (studentId: string): string =>
  addressOf({ route: routes.marksCsv, params: { studentId } });
