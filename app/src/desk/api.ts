import { deskRoutes as routes, type Desk, type NewPiece, type NewWord } from '@cadro/contract';
import { api, endpointsBy } from '../store';

type OfChild = { readonly studentId: string };
type OfWord = OfChild & { readonly wordId: string };
type OfPiece = OfChild & { readonly pieceId: string };

const deskApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    desk: by.kept(routes.read, (studentId: string) => ({ params: { studentId } }), {
      providesTags: ['Record', 'Desk'],
    }),
    say: by.mutation(
      routes.say,
      ({ studentId, ...body }: OfChild & NewWord) => ({ params: { studentId }, body }),
      { invalidatesTags: ['Desk'] },
    ),
    unsay: by.mutation(routes.unsay, (params: OfWord) => ({ params }), { invalidatesTags: ['Desk'] }),
    seen: by.mutation(routes.seen, (params: OfWord) => ({ params }), { invalidatesTags: ['Desk'] }),
    keepPiece: by.mutation(
      routes.keep,
      ({ studentId, ...body }: OfChild & NewPiece) => ({ params: { studentId }, body }),
      { invalidatesTags: ['Desk'] },
    ),
    changePiece: by.mutation(
      routes.change,
      ({ shown, ...params }: OfPiece & { readonly shown: boolean }) => ({ params, body: { shown } }),
      { invalidatesTags: ['Desk'] },
    ),
    dropPiece: by.mutation(routes.drop, (params: OfPiece) => ({ params }), { invalidatesTags: ['Desk'] }),
    tickAgreed: by.mutation(
      routes.tick,
      ({
        studentId,
        followUpId,
        ...body
      }: OfChild & { followUpId: string; checkId?: string; done: boolean }) => ({
        params: { studentId, followUpId },
        body,
      }),
      { invalidatesTags: ['Desk'] },
    ),
    share: by.mutation(
      routes.share,
      ({
        studentId,
        ...body
      }: OfChild & { readonly what: keyof Desk['shares']; readonly shown: boolean }) => ({
        params: { studentId },
        body,
      }),
      // What is shown decides what else there is to see.
      { invalidatesTags: ['Desk', 'Talk'] },
    ),
  })),
});
export const {
  useDeskQuery,
  useSayMutation,
  useUnsayMutation,
  useSeenMutation,
  useKeepPieceMutation,
  useChangePieceMutation,
  useDropPieceMutation,
  useTickAgreedMutation,
  useShareMutation,
} = deskApi;
