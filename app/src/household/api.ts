import { draftRoutes, householdRoutes as routes, type BodyOf, type KeptDraft } from '@cadro/contract';
import { api, endpointsBy, nothing } from '../store';

export const householdApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    me: by.query(routes.me, nothing, { providesTags: ['Me'] }),
    signIn: by.mutation(routes.signIn, (body: BodyOf<typeof routes.signIn>) => ({ body }), {
      async onQueryStarted(_body, { dispatch, queryFulfilled }) {
        const answer = await queryFulfilled.catch(() => null);
        if (answer) dispatch(householdApi.util.upsertQueryData('me', undefined, answer.data));
      },
    }),
    signOut: by.mutation(routes.signOut, nothing),
    changeMe: by.mutation(routes.changeMe, (body: BodyOf<typeof routes.changeMe>) => ({ body }), {
      invalidatesTags: ['Me'],
    }),
    drafts: by.query(draftRoutes.drafts, nothing, { providesTags: ['Begun'] }),
    keepDraft: by.mutation(draftRoutes.keep, (body: KeptDraft) => ({ body }), {
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
  useSignInMutation,
  useSignOutMutation,
  useChangeMeMutation,
  useDraftsQuery,
  useKeepDraftMutation,
  useDropDraftMutation,
  usePreviewLinkMutation,
  useLinkMutation,
} = householdApi;
