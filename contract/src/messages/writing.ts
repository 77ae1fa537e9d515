import { Type, type Static } from '@sinclair/typebox';
import { FreeText, Instant, Nullable, Uuid } from '../shared/scalars';

/** So many files go out with a letter, and so many bytes all together. */
export const mostFilesOut = 5;
export const mostBytesOut = 4_500_000;
/** To so many a letter goes at once. */
export const mostReceivers = 40;

/** A file that goes out with a letter. */
export const FileOut = Type.Object({
  name: Type.String({ minLength: 1, maxLength: 200 }),
  /** Its bytes in base64. */
  content: Type.String({ minLength: 1, maxLength: 6_000_000, pattern: '^[A-Za-z0-9+/]+={0,2}$' }),
});
export type FileOut = Static<typeof FileOut>;

const written = {
  studentId: Uuid,
  followUpId: Type.Optional(Nullable(Uuid)),
  subject: Type.String({ minLength: 1, maxLength: 200 }),
  /** When it goes out, within two weeks and not at night; at once where nothing is said. */
  sendAt: Type.Optional(Nullable(Instant)),
  files: Type.Optional(Type.Array(FileOut, { maxItems: mostFilesOut })),
};

export const NewMessage = Type.Object({ ...written, teacherId: Uuid, text: FreeText });
export type NewMessage = Static<typeof NewMessage>;

/** The same letter to several people, each with their own words: everybody gets one, and sees none of the others. */
export const NewLetters = Type.Object({
  ...written,
  letters: Type.Array(Type.Object({ teacherId: Uuid, text: FreeText }), {
    minItems: 1,
    maxItems: mostReceivers,
  }),
});
export type NewLetters = Static<typeof NewLetters>;
