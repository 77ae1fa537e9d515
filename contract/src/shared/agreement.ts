import { Type, type Static } from '@sinclair/typebox';
import { AskedDay, Nullable, Uuid } from './scalars';

/** What was agreed, and what it has become. */
export const Agreement = Type.Object(
  {
    id: Type.String({ minLength: 1, maxLength: 120 }),
    text: Type.String({ minLength: 1, maxLength: 500 }),
    /** The follow-up or the entry of the calendar that was made of it; null where the words are all. */
    followUpId: Nullable(Uuid),
    entryId: Nullable(Uuid),
    by: Nullable(AskedDay),
    /** Whether it held, said the next time one looks back; null until then. */
    held: Nullable(Type.Boolean()),
  },
  { additionalProperties: false },
);
export type Agreement = Static<typeof Agreement>;
