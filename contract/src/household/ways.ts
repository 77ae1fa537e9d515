import { Type, type Static } from '@sinclair/typebox';
import { Nullable } from '../shared/scalars';
import { RoleSchema } from './roles';

/** Who gave out a code by which one comes in. */
export const issuers = ['school', 'teacher', 'guardian', 'child'] as const;
export type Issuer = (typeof issuers)[number];

export const PersonName = Type.String({ minLength: 1, maxLength: 120, pattern: '\\S' });
/** Sixteen digits and letters in groups, typed as they may be. */
export const Code = Type.String({ minLength: 4, maxLength: 40 });
/** Whose record a code opens, and how, before anything is made. */
export const WayIn = Type.Object({
  issuer: Type.Union(issuers.map((each) => Type.Literal(each))),
  role: RoleSchema,
  /** By given name and school: nothing else of a child is shown to who has a code alone. */
  children: Type.Array(Type.Object({ givenName: Type.String(), schoolName: Type.String() })),
  invitedBy: Nullable(Type.String()),
  /** The address the invitation went to. */
  email: Nullable(Type.String()),
});
export type WayIn = Static<typeof WayIn>;
