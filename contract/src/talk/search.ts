import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { Instant, Uuid } from '../shared/scalars';

export const foundKinds = ['letter', 'follow-up', 'announcement', 'note', 'meeting'] as const;
/** Something of the family's talk in which the words stand. */
export const Found = Type.Object({
  kind: Type.Union(foundKinds.map((kind) => Type.Literal(kind))),
  /** Of a letter its thread's; of everything else its own. */
  id: Uuid,
  studentId: Uuid,
  title: Type.String(),
  /** The words around what was looked for. */
  excerpt: Type.String(),
  at: Instant,
});
export type Found = Static<typeof Found>;

export const talkRoutes = {
  search: route({
    method: 'get',
    path: '/api/talk/search',
    room: 'talk',
    access: 'signed-in',
    summary:
      'Letters, follow-ups, announcements, notes and meetings in which every word stands, the latest first',
    query: Type.Object({ q: Type.Optional(Type.String({ maxLength: 100 })) }),
    status: 200,
    answer: Type.Object({ found: Type.Array(Found), more: Type.Boolean() }),
  }),
};
