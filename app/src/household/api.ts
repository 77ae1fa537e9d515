import { draftRoutes, householdRoutes as routes, type BodyOf, type KeptDraft } from '@cadro/contract';
import { api, dropCopies, endpointsBy, nothing } from '../store';

/** The argument of an endpoint as what is sent. */
export const body = <B>(given: B): { body: B } => ({ body: given });

export const householdApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    me: by.kept(routes.me, nothing, { providesTags: ['Me'] }),
    signOut: by.mutation(routes.signOut, nothing, {
      // Whether or not anybody hears of it, nothing stays here.
      onQueryStarted: (_none, { queryFulfilled }) => queryFulfilled.then(dropCopies, dropCopies),
    }),
    changeMe: by.mutation(routes.changeMe, body<BodyOf<typeof routes.changeMe>>, {
      // The server says some things itself, and now in other words.
      invalidatesTags: (_done, _error, { language }) =>
        language === undefined ? ['Me'] : ['Me', 'Record', 'Calendar', 'Alerts'],
    }),
    agree: by.mutation(routes.agree, body<BodyOf<typeof routes.agree>>, { invalidatesTags: ['Me'] }),
    drafts: by.kept(draftRoutes.drafts, nothing, { providesTags: ['Begun'] }),
    keepDraft: by.mutation(draftRoutes.keep, body<KeptDraft>, {
      invalidatesTags: ['Begun'],
    }),
    dropDraft: by.mutation(draftRoutes.drop, (key: string) => ({ body: { key } }), {
      invalidatesTags: ['Begun'],
    }),
    previewLink: by.mutation(routes.previewLink, (code: string) => ({ body: { code } })),
    link: by.mutation(routes.link, (code: string) => ({ body: { code } }), {
      invalidatesTags: ['Me', 'Record', 'Talk'],
    }),
  })),
});
export const {
  useMeQuery,
  useSignOutMutation,
  useChangeMeMutation,
  useAgreeMutation,
  useDraftsQuery,
  useKeepDraftMutation,
  useDropDraftMutation,
  usePreviewLinkMutation,
  useLinkMutation,
} = householdApi;
