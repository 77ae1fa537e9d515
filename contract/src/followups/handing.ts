import { Type, type Static } from '@sinclair/typebox';
import { Nullable, Uuid } from '../shared/scalars';

/** Who has a follow-up. */
export const Owner = Type.Union([
  Type.Object({
    kind: Type.Literal('guardian'),
    /** Null of one who is no longer there. */
    id: Nullable(Uuid),
    name: Type.String(),
  }),
  Type.Object({ kind: Type.Literal('everyone') }),
  Type.Object({ kind: Type.Literal('child') }),
]);
export type Owner = Static<typeof Owner>;

/** Who asked them, and whether they have said yes; null where nobody asked. */
export const Asked = Type.Object({
  by: Type.String(),
  word: Nullable(Type.String()),
  state: Type.Union([Type.Literal('asked'), Type.Literal('accepted')]),
});
export type Asked = Static<typeof Asked>;

/** To whom it is handed over. */
export const HandTo = Type.Union([
  Type.Object({ kind: Type.Literal('guardian'), id: Uuid }),
  Type.Object({ kind: Type.Literal('everyone') }),
  Type.Object({ kind: Type.Literal('child') }),
]);
export type HandTo = Static<typeof HandTo>;

const Text = Type.String({ minLength: 1, maxLength: 200 });
const Id = Type.String({ minLength: 1, maxLength: 40 });
/** Something to do for it, in the family's own words. */
export const Check = Type.Object({
  id: Id,
  text: Text,
  done: Type.Boolean(),
  /** Who ticked it off. */
  by: Nullable(Type.String()),
});
export type Check = Static<typeof Check>;
/** So many things stand on a list. */
export const mostChecks = 30;
export const NewChecks = Type.Array(Type.Object({ id: Id, text: Text, done: Type.Boolean() }), {
  maxItems: mostChecks,
});
