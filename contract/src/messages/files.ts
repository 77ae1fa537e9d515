import { Type, type Static } from '@sinclair/typebox';
import { Nullable, Uuid } from '../shared/scalars';

/** Why a file of a letter is not kept: such files are not exchanged here, it is not what it says, or it is too large. */
export const withheldFor = ['kind', 'not-as-named', 'too-large'] as const;
export type WithheldFor = (typeof withheldFor)[number];

/** A file that came with a letter, or went out with one. */
export const MessageFile = Type.Object({
  id: Uuid,
  name: Type.String(),
  mediaType: Type.String(),
  /** In bytes, also of one that is not kept. */
  size: Type.Integer(),
  /** Null of a file that can be opened. */
  withheld: Nullable(Type.Union(withheldFor.map((reason) => Type.Literal(reason)))),
});
export type MessageFile = Static<typeof MessageFile>;
