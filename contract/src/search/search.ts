import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { Instant, Nullable, Uuid } from '../shared/scalars';

export const foundKinds = [
  'assignment',
  'course',
  'teacher',
  'comment',
  'letter',
  'follow-up',
  'announcement',
  'note',
  'meeting',
] as const;
/** Something of the record or of the family's talk in which the words stand. */
export const Found = Type.Object({
  kind: Type.Union(foundKinds.map((kind) => Type.Literal(kind))),
  /** Of a letter its thread's; of a comment its assignment's, or else its course's; of everything else its own. */
  id: Uuid,
  /** Of an assignment, a course or a comment. */
  courseId: Nullable(Uuid),
  studentId: Uuid,
  title: Type.String(),
  /** The words around what was looked for. */
  excerpt: Type.String(),
  at: Instant,
});
export type Found = Static<typeof Found>;

export const searchRoutes = {
  search: route({
    method: 'get',
    path: '/api/search',
    room: 'search',
    access: 'signed-in',
    summary:
      'Assignments, courses, teachers, comments, letters and all other talk in which every word stands, the latest first',
    query: Type.Object({ q: Type.Optional(Type.String({ maxLength: 100 })) }),
    status: 200,
    answer: Type.Object({ found: Type.Array(Found), more: Type.Boolean() }),
  }),
};
