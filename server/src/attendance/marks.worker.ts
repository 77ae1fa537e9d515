import type { MarksFile } from '@cadro/contract';
import {
  marksOfFile,
  meaningOn,
  type CodeMeaningFrom,
  type FileRow,
  type MarksFileContext,
} from '@cadro/core';
import { parse, type CsvError } from 'csv-parse/sync';

/* A file of marks: how many rows it has is its sender's to say. */

/** More than anybody's marks of a year. */
const longestRows = 20_000;

/** Why a file cannot be read, by its line. */
interface Refused {
  readonly line: number;
  readonly message: string;
  readonly tooLarge?: true;
}

export interface MarksAsk extends Omit<MarksFileContext, 'meaningOf'> {
  readonly text: string;
  /** What the sender says that codes mean. */
  readonly codes: MarksFile['codes'];
  readonly meanings: readonly CodeMeaningFrom[];
}

/**
 * The rows of a CSV text with a heading; comma, semicolon or tab between cells.
 * @returns else the line where reading stopped, or what the heading lacks.
 */
function rowsOf(text: string): FileRow[] | Refused {
  try {
    const rows = parse(text, {
      bom: true,
      columns: (heading: string[]) => heading.map((name) => name.trim().toLowerCase()),
      delimiter: [',', ';', '\t'],
      skip_empty_lines: true,
      relax_column_count: true,
      trim: true,
      to: longestRows + 1,
    }) as FileRow[]; // columns are a list, so that rows are objects of texts
    const missing = ['date', 'code'].filter((name) => rows[0] && !(name in rows[0]));
    if (rows.length === 0) return { line: 1, message: 'has no rows' };
    if (rows.length > longestRows) return { line: longestRows, message: 'is one too many', tooLarge: true };
    if (missing.length > 0) return { line: 1, message: `lacks a column ${missing.join(' and ')}` };
    return rows;
  } catch (error) {
    const { lines = 0, message } = error as CsvError & { lines?: number }; // the parser throws nothing else
    return { line: lines, message };
  }
}

const contextOf = ({ codes, meanings, ...known }: MarksAsk): MarksFileContext => ({
  ...known,
  meaningOf: (code, on) => {
    const told = codes.find((each) => each.code === code);
    if (told) return { kind: told.kind, excused: told.excused, label: null };
    return meaningOn(meanings, code, on, ['map', 'found', 'file']);
  },
});

export type MarksAnswer = Refused | (ReturnType<typeof marksOfFile> & { readonly rows: number });

/** What a file says, held against what is known. */
export function readMarks(ask: MarksAsk): MarksAnswer {
  const rows = rowsOf(ask.text);
  if ('line' in rows) return rows;
  return { rows: rows.length, ...marksOfFile(rows, contextOf(ask)) };
}
