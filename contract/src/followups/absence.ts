import { Type, type Static } from '@sinclair/typebox';
import { MarkKindSchema } from '../attendance/attendance';
import { DateOnly, Nullable, Uuid } from '../shared/scalars';

/** What an absence was taken in hand for: told ahead, explained, objected to, or its work to be caught up. */
export const absencePurposes = ['ahead', 'explain', 'object', 'catch-up'] as const;
export type AbsencePurpose = (typeof absencePurposes)[number];
export const PurposeSchema = Type.Union(absencePurposes.map((purpose) => Type.Literal(purpose)));

export const AbsenceLesson = Type.Object({
  on: DateOnly,
  /** Null for the whole day. */
  period: Nullable(Type.String({ minLength: 1, maxLength: 40 })),
});
export type AbsenceLesson = Static<typeof AbsenceLesson>;

/** What a follow-up about an absence waits for in the next record. */
export const AbsenceClaim = Type.Object({
  purpose: PurposeSchema,
  lessons: Type.Array(
    Type.Composite([
      AbsenceLesson,
      Type.Object({
        /** The mark it is about; null for a day that is still to come. */
        code: Nullable(Type.String()),
        courseTitle: Nullable(Type.String()),
      }),
    ]),
  ),
  /** The work to be caught up. */
  itemIds: Type.Array(Uuid),
});
export type AbsenceClaim = Static<typeof AbsenceClaim>;

/** What the register says of a lesson now. */
export const RegisterMark = Type.Object({
  on: DateOnly,
  period: Type.String(),
  code: Type.String(),
  kind: Nullable(MarkKindSchema),
  excused: Type.Boolean(),
  label: Nullable(Type.String()),
});
export type RegisterMark = Static<typeof RegisterMark>;
