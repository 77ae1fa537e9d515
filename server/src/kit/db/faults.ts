/** An error by what it says: one of another realm is no `Error` of this one. */
const isObject = (error: unknown): error is Readonly<Record<string, unknown>> =>
  typeof error === 'object' && error !== null;

/** What a failed query is known by, or null: a SQLSTATE or a system's code. */
const codeOf = (error: unknown): string | null =>
  isObject(error) && typeof error['code'] === 'string' ? error['code'] : null;

/** Whether a write met what only one may have. */
export const isUniqueViolation = (error: unknown): boolean => codeOf(error) === '23505';

/** Whether the database refused rows that are not of the person who asks. */
export const isNotPermitted = (error: unknown): boolean => codeOf(error) === '42501';

/** Whether a table has changed under a statement that was planned before. */
export const isStalePlan = (error: unknown): boolean => codeOf(error) === '0A000';

/** Whether somebody else has held what is asked for, longer than one would wait. */
export const isLockedLong = (error: unknown): boolean => codeOf(error) === '55P03';

/**
 * Whether a value is none that the database holds: a year 0, a number too large, a letter that is half of one, or the same
 * row twice in one list.
 */
export const isNoValue = (error: unknown): boolean => /^(22...|21000)$/.test(codeOf(error) ?? '');

/** Broken off, refused, or not reached at all. */
const systemFaults = new Set(
  ['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'EHOSTUNREACH', 'ENETUNREACH'].concat(
    'ENOTFOUND',
    'EAI_AGAIN',
  ),
);
/** Ended by its operator, after a crash, still starting; connections and their pooler (08), memory, disk and places (53). */
const awayStates = /^(57P0[1-5]|08...|53...)$/;
/**
 * What the driver and the pools say without a code: these are all the ways in which they say it, by themselves or after
 * the statement that met it.
 */
const saidSo = new RegExp(
  `(^| - )(${[
    'Connection terminated( unexpectedly| due to connection timeout)?',
    'Client (has encountered a connection error|was closed) and is not queryable',
    'timeout expired',
    'timeout exceeded when trying to connect',
    'Query read timeout',
    'Knex: Timeout acquiring a connection.*',
  ].join('|')})$`,
  's',
);

/** Whether the database cannot be asked at the moment; what was wrong with the question is none of these. */
export function isAway(error: unknown): boolean {
  if (!isObject(error)) return false;
  const code = codeOf(error);
  if (code !== null && (systemFaults.has(code) || awayStates.test(code))) return true;
  return saidSo.test(String(error['message'])) || isAway(error['cause']);
}

/** Whether it answers, but has no room for one more connection. */
export const isFull = (error: unknown): boolean => codeOf(error) === '53300';
