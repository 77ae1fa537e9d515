/**
 * Whose a row may be, as a condition on the table of this name: everybody's, or of the household for whose guardian the
 * connection is. On Cadro's own connections nobody's own is read, unless it is asked for.
 */
export const isOurs = (table: string): string =>
  `(${table}.household_id is null
    or ${table}.household_id = (select nullif(current_setting('cadro.household', true), '')::uuid))`;
