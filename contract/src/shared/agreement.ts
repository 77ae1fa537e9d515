import { Type, type Static } from '@sinclair/typebox';
import { AskedDay, Line, LineId, Nullable, Uuid } from './scalars';

/** What was agreed, and what it has become. */
export const Agreement = Type.Object(
  {
    id: LineId,
    text: Line,
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
