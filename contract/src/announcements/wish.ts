import { Type, type Static } from '@sinclair/typebox';

/** What a school wants to hear from a family. */
const Short = Type.String({ minLength: 1, maxLength: 200 });
export const SchoolWish = Type.Union([
  Type.Object({ kind: Type.Literal('nothing') }),
  /** A day to know. */
  Type.Object({ kind: Type.Literal('date') }),
  /** Something to bring to school. */
  Type.Object({ kind: Type.Literal('bring') }),
  /** A form to be filled in or signed; where it is to be found, where the school says so. */
  Type.Object({ kind: Type.Literal('form') }),
  Type.Object({ kind: Type.Literal('yes-no') }),
  Type.Object({
    kind: Type.Literal('choice'),
    choices: Type.Array(Short, { minItems: 2, maxItems: 12, uniqueItems: true }),
  }),
  /** How many; at most so many where that is said. */
  Type.Object({
    kind: Type.Literal('count'),
    most: Type.Optional(Type.Integer({ minimum: 1, maximum: 1000 })),
  }),
  /** A line of one's own. */
  Type.Object({ kind: Type.Literal('line') }),
]);
export type SchoolWish = Static<typeof SchoolWish>;
export const wishKinds = [
  ...(['nothing', 'date', 'bring', 'form', 'yes-no', 'choice', 'count', 'line'] as const),
] as const satisfies readonly SchoolWish['kind'][];
export type WishKind = (typeof wishKinds)[number];

/** What a family answers. */
export const AnswerValue = Type.Union([
  Type.Object({ kind: Type.Literal('yes-no'), yes: Type.Boolean() }),
  Type.Object({ kind: Type.Literal('choice'), choice: Short }),
  Type.Object({ kind: Type.Literal('count'), count: Type.Integer({ minimum: 0, maximum: 1000 }) }),
  Type.Object({ kind: Type.Literal('line'), line: Type.String({ minLength: 1, maxLength: 500 }) }),
  /** The form is filled in and on its way. */
  Type.Object({ kind: Type.Literal('form') }),
]);
export type AnswerValue = Static<typeof AnswerValue>;

/** Whether a wish is to be answered at all. */
export const wantsAnswer = ({ kind }: SchoolWish): boolean =>
  kind !== 'nothing' && kind !== 'date' && kind !== 'bring';

/** Whether an answer is one to a wish. */
export function answersWish(wish: SchoolWish, answer: AnswerValue): boolean {
  if (answer.kind !== wish.kind) return false;
  if (answer.kind === 'choice') return wish.kind === 'choice' && wish.choices.includes(answer.choice);
  if (answer.kind === 'count') return wish.kind === 'count' && answer.count <= (wish.most ?? answer.count);
  return true;
}
