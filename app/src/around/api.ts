import { aroundRoutes as routes } from '@cadro/contract';
import { api, endpointsBy, nothing } from '../store';

const aroundApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    around: by.kept(routes.around, nothing, { providesTags: ['Record'] }),
  })),
});
export const { useAroundQuery } = aroundApi;
