import {
  noteRoutes as routes,
  type BodyOf,
  type NewNote,
  type NoteChange,
  type QueryOf,
} from '@cadro/contract';
import { api, endpointsBy } from '../store';

type OfTeacher = { studentId: string; teacherId: string };

const notesApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    notes: by.kept(routes.list, (query: QueryOf<typeof routes.list>) => ({ query }), {
      providesTags: ['Notes'],
    }),
    writeNote: by.mutation(routes.write, (body: NewNote) => ({ body }), { invalidatesTags: ['Notes'] }),
    changeNote: by.mutation(
      routes.change,
      ({ noteId, ...body }: { noteId: string } & NoteChange) => ({ params: { noteId }, body }),
      { invalidatesTags: ['Notes'] },
    ),
    dropNote: by.mutation(routes.drop, (noteId: string) => ({ params: { noteId } }), {
      invalidatesTags: ['Notes'],
    }),
    wants: by.kept(routes.wants, (params: OfTeacher) => ({ params }), { providesTags: ['Notes', 'Talk'] }),
    sayWant: by.mutation(
      routes.sayWant,
      ({ studentId, teacherId, ...body }: OfTeacher & BodyOf<typeof routes.sayWant>) => ({
        params: { studentId, teacherId },
        body,
      }),
      { invalidatesTags: ['Notes'] },
    ),
  })),
});
export const {
  useNotesQuery,
  useWriteNoteMutation,
  useChangeNoteMutation,
  useDropNoteMutation,
  useWantsQuery,
  useSayWantMutation,
} = notesApi;
