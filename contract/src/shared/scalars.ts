import { Type, type Static } from '@sinclair/typebox';

/** ISO 8601 instant with a zone, such as `2026-10-21T18:00:00Z`. */
export const Instant = Type.String({ format: 'date-time' });
/** A calendar date in the school's own zone, `YYYY-MM-DD`. */
export const DateOnly = Type.String({ format: 'date' });
/** A day that somebody asks about, of the years 1900 to 2199: what lies around it has a date, too. */
export const AskedDay = Type.String({ format: 'date', pattern: '^(19|2[01])' });
/**
 * When something is, as sources write it: a date, with or without a time, with or without a zone; of the years 1900 to
 * 2199. What it leaves out is the reader's to say (a due date without a time is the end of that day).
 */
export const Moment = Type.String({ format: 'moment' });
export const Uuid = Type.String({ format: 'uuid' });
/** Counts the changes of a row: whoever changes it says which they have seen. */
export const Version = Type.Integer({ minimum: 1, maximum: 2 ** 31 - 1 });
/** A share, 0 to 1; may exceed 1 with extra credit. */
export const Fraction = Type.Number();

export const Language = Type.Union([Type.Literal('en'), Type.Literal('es')]);
export type Language = Static<typeof Language>;
export const languages = ['en', 'es'] as const satisfies readonly Language[];

/** A line of a list that a family writes, and by what it is known there. */
export const Line = Type.String({ minLength: 1, maxLength: 500 });
export const LineId = Type.String({ minLength: 1, maxLength: 120 });

/** Free text a person typed. The limit is far above any honest note and below what could hurt. */
export const FreeText = Type.String({ minLength: 1, maxLength: 20_000 });

export const Nullable = <T extends Parameters<typeof Type.Union>[0][number]>(schema: T) =>
  Type.Union([schema, Type.Null()]);

/** Marks a case that the type system says cannot happen; reaching it is a defect, told with its value. */
export function assertNever(value: never): never {
  throw new Error(`unexpected case: ${JSON.stringify(value)}`);
}
