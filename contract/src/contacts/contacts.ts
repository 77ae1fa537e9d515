import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { Nullable, Uuid } from '../shared/scalars';
import { contactKinds } from './kinds';

/** A course that somebody teaches the child, with where and when. */
export const TaughtCourse = Type.Object({
  id: Uuid,
  title: Type.String(),
  room: Nullable(Type.String()),
  period: Nullable(Type.String()),
});

export type TaughtCourse = Static<typeof TaughtCourse>;

/** Somebody at a child's school, as far as the school publishes it. */
export const Contact = Type.Object({
  id: Uuid,
  kind: Type.Union(contactKinds.map((kind) => Type.Literal(kind))),
  name: Type.String(),
  email: Nullable(Type.String()),
  phone: Nullable(Type.String()),
  room: Nullable(Type.String()),
  /** When they can be reached, in the school's words. */
  hours: Nullable(Type.String()),
  /** What they answer for, in the school's words. */
  answersFor: Nullable(Type.String()),
  /** The language to write to them in, as a tag of BCP 47. */
  language: Nullable(Type.String()),
  /** A teacher's courses with this child; empty of everybody else. */
  courses: Type.Array(TaughtCourse),
});
export type Contact = Static<typeof Contact>;

const room = 'contacts';
const params = Type.Object({ studentId: Uuid });
export const contactRoutes = {
  contacts: route({
    method: 'get',
    path: '/api/students/:studentId/contacts',
    room,
    access: 'signed-in',
    summary: 'Everybody at the school whom the family of a child can turn to',
    params,
    status: 200,
    answer: Type.Object({
      schoolName: Type.String(),
      contacts: Type.Array(Contact),
    }),
  }),
  vcard: route({
    method: 'get',
    path: '/api/students/:studentId/contacts/vcard',
    room,
    access: 'signed-in',
    summary: 'The same as a file of vCards (RFC 6350)',
    params,
    status: 200,
    produces: 'text/vcard',
  }),
};
