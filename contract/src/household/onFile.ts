import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { DateOnly, Nullable, Uuid } from '../shared/scalars';

/** By what a school reaches somebody, in the order in which it is told. */
export const reaches = ['phone', 'sms', 'email', 'address'] as const;
/** How the school reaches somebody, as it has it on file; null is nothing on file. */
const reachMembers = {
  email: Nullable(Type.String()),
  phone: Nullable(Type.String()),
  sms: Nullable(Type.String()),
  address: Nullable(Type.String()),
};

const Reach = Type.Object(reachMembers);
export type Reach = Static<typeof Reach>;

/** What a school has on file about a child and the people it names for it. */
export const OnFile = Type.Object({
  studentId: Uuid,
  schoolName: Type.String(),
  /** Null where the school tells nothing of it, or holds it back. */
  child: Nullable(
    Type.Object({
      name: Type.String(),
      ...reachMembers,
      birthDate: Nullable(DateOnly),
      sex: Nullable(Type.String()),
    }),
  ),
  /**
   * Whom the school names for the child. How it reaches them stands there for the own household alone, known by its
   * confirmed addresses.
   */
  people: Type.Array(Type.Object({ name: Type.String(), relation: Type.String(), reach: Nullable(Reach) })),
  /** Whether the school names who asks: by their confirmed address, or by a word of the operator. */
  known: Type.Boolean(),
  /** Who is written to when something is not right. */
  office: Nullable(Type.Object({ id: Uuid, name: Type.String(), contactable: Type.Boolean() })),
});
export type OnFile = Static<typeof OnFile>;

export const onFileRoutes = {
  read: route({
    ...{ room: 'household', access: 'signed-in', method: 'get', path: '/api/students/:studentId/on-file' },
    ...{ params: Type.Object({ studentId: Uuid }), status: 200, answer: OnFile },
    summary: 'What the school has on file about a child and the people it names for it',
  }),
};
