import {
  householdRoutes as routes,
  type AnswerOf,
  type BodyOf,
  type Child,
  type LinkPreview,
  type Me,
} from '@cadro/contract';
import { api } from '../store/api';

export const householdApi = api.injectEndpoints({
  endpoints: (build) => ({
    me: build.query<Me, void>({ query: () => ({ route: routes.me }), providesTags: ['Me'] }),
    signIn: build.mutation<AnswerOf<typeof routes.signIn>, BodyOf<typeof routes.signIn>>({
      query: (body) => ({ route: routes.signIn, body }),
      async onQueryStarted(_body, { dispatch, queryFulfilled }) {
        const answer = await queryFulfilled.catch(() => null);
        if (answer) dispatch(householdApi.util.upsertQueryData('me', undefined, answer.data));
      },
    }),
    signOut: build.mutation<null, void>({ query: () => ({ route: routes.signOut }) }),
    changeMe: build.mutation<Me, BodyOf<typeof routes.changeMe>>({
      query: (body) => ({ route: routes.changeMe, body }),
      invalidatesTags: ['Me'],
    }),
    previewLink: build.mutation<LinkPreview, string>({
      query: (code) => ({ route: routes.previewLink, body: { code } }),
    }),
    link: build.mutation<Child, string>({
      query: (code) => ({ route: routes.link, body: { code } }),
      invalidatesTags: ['Me', 'Record', 'Talk'],
    }),
  }),
});
export const {
  useMeQuery,
  useSignInMutation,
  useSignOutMutation,
  useChangeMeMutation,
  usePreviewLinkMutation,
  useLinkMutation,
} = householdApi;
