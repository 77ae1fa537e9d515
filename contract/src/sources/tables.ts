import { Type, type Static } from '@sinclair/typebox';
import { DateOnly, Language } from '../shared/scalars';

/** What a column of a table can be about. */
export const meanings = [
  'title',
  'due',
  'assigned',
  'category',
  'course',
  'student',
  'earned',
  'possible',
  'score',
  'percent',
  'letter',
  'status',
  'comment',
  'other',
] as const;
export type Means = (typeof meanings)[number];

/** One table of `npm run --silent read-table`. */
export const TableCase = Type.Object({
  id: Type.Optional(Type.Unknown()),
  /** As it is written or pasted. */
  text: Type.String({ maxLength: 2_000_000 }),
  lang: Language,
  zone: Type.String(),
  /** The date on which it is read. */
  today: DateOnly,
});
export type TableCase = Static<typeof TableCase>;
