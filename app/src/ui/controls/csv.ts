import { unparse } from 'papaparse';

export type Cell = string | number | null;

/**
 * A list as CSV (RFC 4180): a head of column names, every text quoted where it must be, and none that a spreadsheet
 * would take for a formula: those get an apostrophe before them. Numbers stay numbers.
 */
export const csvOf = (columns: readonly string[], rows: readonly (readonly Cell[])[]): string =>
  `${unparse({ fields: [...columns], data: rows.map((row) => [...row]) }, { escapeFormulae: true, newline: '\r\n' })}\r\n`;
