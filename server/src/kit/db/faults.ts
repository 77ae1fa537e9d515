/** SQLSTATE of a failed query, or null: failures are told by code, never by message text. */
const sqlState = (error: unknown): string | null =>
  error instanceof Error && 'code' in error && typeof error.code === 'string' ? error.code : null;

/** Whether a write met what only one may have. */
export const isUniqueViolation = (error: unknown): boolean => sqlState(error) === '23505';

/** Whether the database refused rows that are not of the person who asks. */
export const isNotPermitted = (error: unknown): boolean => sqlState(error) === '42501';

/** Whether a table has changed under a statement that was planned before. */
export const isStalePlan = (error: unknown): boolean => sqlState(error) === '0A000';
