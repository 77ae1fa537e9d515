import { contactRoutes as routes } from '@cadro/contract';
import { api, endpointsBy } from '../store';

const contactsApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    contacts: by.kept(routes.contacts, (studentId: string) => ({ params: { studentId } }), {
      providesTags: ['Record'],
    }),
  })),
});
export const { useContactsQuery } = contactsApi;
