const written = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\dZ$/;

/** Milliseconds since 1970 as an ISO 8601 instant, to the second. 0 → `1970-01-01T00:00:00Z`. */
export const instantOf = (ms: number): string => `${new Date(ms).toISOString().slice(0, 19)}Z`;

/** An instant of the record as it is written back: `2026-10-21T15:00:00.250-03:00` → `2026-10-21T18:00:00Z`. */
export const instantAs = (text: string, ms: number): string => (written.test(text) ? text : instantOf(ms));
