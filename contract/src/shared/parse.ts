import type { Static, TSchema } from '@sinclair/typebox';
import Ajv, { type ErrorObject, type ValidateFunction } from 'ajv';
import addFormats from 'ajv-formats';

/** What did not fit: where, as a JSON pointer, and why. */
export interface Misfit {
  readonly path: string;
  readonly message: string;
}

export class ParseError extends Error {
  override readonly name = 'ParseError';
  readonly code = 'parse-failed';
  constructor(
    readonly boundary: string,
    readonly misfits: readonly Misfit[],
  ) {
    super(`${boundary}: ${misfits.map((misfit) => `${misfit.path} ${misfit.message}`).join('; ')}`);
  }
}

const isoInstant =
  /^(\d{4})-(\d{2})-(\d{2})T([01]\d|2[0-3]):[0-5]\d(:[0-5]\d(\.\d+)?)?(Z|[+-]([01]\d|2[0-3]):[0-5]\d)$/;

/** An instant has a zone, and a day that is on the calendar; a leap second is none that a computer can hold. */
function isInstant(text: string): boolean {
  const [, year, month, day] = isoInstant.exec(text) ?? [];
  if (year === undefined) return false;
  const date = new Date(Date.UTC(Number(year), Number(month) - 1, Number(day)));
  return date.getUTCMonth() === Number(month) - 1 && date.getUTCDate() === Number(day);
}

const isoMoment =
  /^((?:19|20|21)\d{2})-(\d{2})-(\d{2})(?:[T ]([01]\d|2[0-3]):[0-5]\d(?::[0-5]\d(?:[.,]\d+)?)?\s?(?:Z|[+-]([01]\d|2[0-3]):?[0-5]\d)?)?$/;

/** A date that is on the calendar, with or without a time, with or without a zone. */
function isMoment(text: string): boolean {
  const [, year, month, day] = isoMoment.exec(text) ?? [];
  if (year === undefined) return false;
  const date = new Date(Date.UTC(Number(year), Number(month) - 1, Number(day)));
  return date.getUTCMonth() === Number(month) - 1 && date.getUTCDate() === Number(day);
}

/** Ajv's own tidying of the code it writes costs most of a compilation, and a check runs no faster for it. */
const options = { allErrors: false, strict: false, code: { optimize: false } } as const;
const withFormats = (plain: Ajv): Ajv =>
  addFormats(plain).addFormat('date-time', isInstant).addFormat('moment', isMoment);
const ajv = withFormats(new Ajv({ ...options, allowUnionTypes: true }));
const ajvCoercing = withFormats(new Ajv({ ...options, coerceTypes: true }));
const compiled = new WeakMap<TSchema, ValidateFunction>();
const compiledCoercing = new WeakMap<TSchema, ValidateFunction>();

function validatorOf(schema: TSchema, coerce: boolean): ValidateFunction {
  const cache = coerce ? compiledCoercing : compiled;
  let validate = cache.get(schema);
  if (!validate) {
    validate = (coerce ? ajvCoercing : ajv).compile(schema);
    cache.set(schema, validate);
  }
  return validate;
}

const misfitOf = (error: ErrorObject): Misfit => ({
  path: error.instancePath || '/',
  message: error.message ?? 'does not fit',
});

/** The misfits of a value against a schema; empty when it fits. */
export function misfits(schema: TSchema, value: unknown): Misfit[] {
  const validate = validatorOf(schema, false);
  return validate(value) ? [] : (validate.errors ?? []).map(misfitOf);
}

/**
 * Reads an unknown value as the schema's type.
 * @param boundary names the place for the error, such as `request body` or `OneRoster results`.
 * @throws ParseError with the path of what did not fit.
 */
export function parse<S extends TSchema>(boundary: string, schema: S, value: unknown): Static<S> {
  const found = misfits(schema, value);
  if (found.length > 0) throw new ParseError(boundary, found);
  return value as Static<S>; // the schema has just been checked; TypeScript cannot see that
}

/** As `parse`, for text-only places (path and query): '2' becomes 2 where the schema asks for a number. */
export function parseText<S extends TSchema>(boundary: string, schema: S, value: unknown): Static<S> {
  const copy: unknown = { ...(value as object) }; // coercion writes; path and query are flat
  const validate = validatorOf(schema, true);
  if (!validate(copy)) throw new ParseError(boundary, (validate.errors ?? []).map(misfitOf));
  return copy as Static<S>; // checked above
}
