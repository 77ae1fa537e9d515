import {
  entryRoutes,
  sitdownRoutes as routes,
  type BodyOf,
  type PageChange,
  type PaperPages,
  type Sitdown,
  type SitdownPage,
} from '@cadro/contract';
import { api, endpointsBy, knownAtOnce, nothing, type RootState } from '../store';

type OfSitdown = { readonly sitdownId: string };

/** What a change has left is known at once: the next one is made on it. */
const known = knownAtOnce((left: Sitdown, dispatch): void => {
  dispatch(
    sitdownApi.util.updateQueryData('sitdowns', undefined, (list) => ({
      ...list,
      sitdowns: list.sitdowns.map((each) => (each.id === left.id ? left : each)),
    })),
  );
});
const changes = { invalidatesTags: ['Sitdown' as const] };
const sitdownApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    sitdowns: by.kept(routes.list, nothing, { providesTags: ['Sitdown'] }),
    openSitdown: by.mutation(routes.begin, (on: string) => ({ body: { on } }), changes),
    changePage: by.mutation(
      routes.change,
      ({ sitdownId, studentId, change }: OfSitdown & { studentId: string; change: PageChange }) => ({
        params: { sitdownId, studentId },
        body: change,
      }),
      { ...known, ...changes },
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
    rhythmEntry: by.kept(entryRoutes.read, (entryId: string) => ({ params: { entryId } }), {
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

/** A child's page as it was answered last. */
export const newestPage = (state: RootState, sitdownId: string, page: SitdownPage): SitdownPage =>
  sitdownApi.endpoints.sitdowns
    .select()(state)
    .data?.sitdowns.find(({ id }) => id === sitdownId)
    ?.pages.find(({ studentId }) => studentId === page.studentId) ?? page;
