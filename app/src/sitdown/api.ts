import {
  entryRoutes,
  sitdownRoutes as routes,
  type BodyOf,
  type PageChange,
  type PaperPages,
} from '@cadro/contract';
import { api, endpointsBy, nothing } from '../store';

type OfSitdown = { readonly sitdownId: string };

const changes = { invalidatesTags: ['Sitdown' as const] };
const sitdownApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    sitdowns: by.query(routes.list, nothing, { providesTags: ['Sitdown'] }),
    openSitdown: by.mutation(routes.begin, (on: string) => ({ body: { on } }), changes),
    changePage: by.mutation(
      routes.change,
      ({ sitdownId, studentId, change }: OfSitdown & { studentId: string; change: PageChange }) => ({
        params: { sitdownId, studentId },
        body: change,
      }),
      changes,
    ),
    startSitdown: by.mutation(routes.start, (sitdownId: string) => ({ params: { sitdownId } }), changes),
    endSitdown: by.mutation(
      routes.end,
      ({ sitdownId, pages }: OfSitdown & BodyOf<typeof routes.end>) => ({
        params: { sitdownId },
        body: { pages },
      }),
      changes,
    ),
    dropSitdown: by.mutation(routes.drop, (sitdownId: string) => ({ params: { sitdownId } }), changes),
    sitdownPaper: by.file(routes.paper, (body: PaperPages) => ({ body })),
    setRhythm: by.mutation(routes.rhythm, (entryId: string | null) => ({ body: { entryId } }), changes),
    rhythmEntry: by.query(entryRoutes.read, (entryId: string) => ({ params: { entryId } }), {
      providesTags: ['Calendar'],
    }),
  })),
});
export const {
  useSitdownsQuery,
  useOpenSitdownMutation,
  useChangePageMutation,
  useStartSitdownMutation,
  useEndSitdownMutation,
  useDropSitdownMutation,
  useSitdownPaperMutation,
  useSetRhythmMutation,
  useRhythmEntryQuery,
} = sitdownApi;
