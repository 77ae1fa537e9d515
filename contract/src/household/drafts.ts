import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { Instant, Uuid } from '../shared/scalars';

export const draftKinds = ['letter', 'note', 'follow-up'] as const;

const strict = { additionalProperties: false };
const Written = Type.Optional(Type.String({ maxLength: 20_000 }));
const Key = Type.String({ minLength: 1, maxLength: 300 });

/** Something a guardian has begun to write about a child and neither sent nor thrown away. */
export const KeptDraft = Type.Object(
  {
    /** The same for the same beginning: what it is and what it is about. */
    key: Key,
    studentId: Uuid,
    kind: Type.Union(draftKinds.map((kind) => Type.Literal(kind))),
    title: Type.String({ maxLength: 300 }),
    /** The screen of the app where it goes on. */
    place: Type.String({ pattern: '^/[^/\\\\]', maxLength: 500 }),
    /** What has been written, field by field. */
    fields: Type.Object(
      {
        subject: Written,
        text: Written,
        note: Written,
        step: Written,
        lookAgainOn: Written,
        reason: Written,
        /** Which lessons the letter is about, as the form itself writes it. */
        lessons: Written,
      },
      { ...strict, minProperties: 1 },
    ),
  },
  strict,
);
export type KeptDraft = Static<typeof KeptDraft>;

const room = 'household';
export const draftRoutes = {
  drafts: route({
    method: 'get',
    path: '/api/drafts',
    room,
    access: 'signed-in',
    summary: 'What this guardian has begun to write, the latest first',
    status: 200,
    answer: Type.Object({
      drafts: Type.Array(Type.Composite([KeptDraft, Type.Object({ savedAt: Instant })])),
    }),
  }),
  keep: route({
    method: 'post',
    path: '/api/drafts',
    room,
    access: 'signed-in',
    summary: 'Keeps what has been begun, in the place of what was kept of it before',
    body: KeptDraft,
    status: 204,
  }),
  drop: route({
    method: 'post',
    path: '/api/drafts/drop',
    room,
    access: 'signed-in',
    summary: 'Throws away what was begun',
    body: Type.Object({ key: Key }, strict),
    status: 204,
  }),
};
