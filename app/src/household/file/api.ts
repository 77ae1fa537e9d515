import { onFileRoutes } from '@cadro/contract';
import { api, endpointsBy } from '../../store';

const fileApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    onFile: by.kept(onFileRoutes.read, (studentId: string) => ({ params: { studentId } }), {
      providesTags: ['Record'],
    }),
  })),
});
export const { useOnFileQuery } = fileApi;
