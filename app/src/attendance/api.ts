import { attendanceRoutes as routes, type CodeMeaning, type MarksFile } from '@cadro/contract';
import { addressOf, api, endpointsBy, nothing } from '../store';

export const attendanceApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    days: by.kept(routes.days, nothing, { providesTags: ['Record'] }),
    meaning: by.mutation(
      routes.meaning,
      ({ studentId, ...body }: CodeMeaning & { studentId: string }) => ({ params: { studentId }, body }),
      { invalidatesTags: ['Record'] },
    ),
    readMarks: by.mutation(
      routes.readMarks,
      ({ studentId, ...body }: MarksFile & { studentId: string }) => ({ params: { studentId }, body }),
      { invalidatesTags: (answer) => (answer?.written ? ['Record'] : []) },
    ),
  })),
});
export const { useDaysQuery, useMeaningMutation, useReadMarksMutation } = attendanceApi;

export const marksCsvAddress = (studentId: string): string =>
  addressOf(routes.marksCsv, { params: { studentId } });
