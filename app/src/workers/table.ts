import type { Language, Means } from '@cadro/contract';
import {
  gridOf,
  readCourses,
  readGrid,
  readMarks,
  type Column,
  type Grid,
  type MarksTable,
  type Order,
  type Table,
  type TableCourse,
} from '@cadro/core/tables';
import { unzipSync } from 'fflate';
import { readSheet } from 'read-excel-file/web-worker';

/*
 * Reads what somebody pastes or opens as a table, beside the page: a file that takes too long is given up by ending the
 * worker, and holds up nobody.
 */
export interface TableAsk {
  readonly turn: number;
  /** New text or a new file; what was read last, where there is none. */
  readonly text?: string;
  readonly file?: Blob;
  readonly lang: Language;
  readonly today: string;
  readonly means?: readonly Means[];
  readonly order?: Order;
  /** Whether it is known to be one of attendance. */
  readonly isMarks?: boolean;
  /** What was said before of columns, by the shape of their table. */
  readonly known: Readonly<Record<string, readonly Means[]>>;
}

export const tableFaults = ['unreadable', 'too-big', 'too-slow', 'old-sheet', 'no-rows'] as const;
export type TableFault = (typeof tableFaults)[number];

export type TableAnswer =
  | {
      readonly turn: number;
      readonly table: Table;
      readonly cut: boolean;
      /** Something that stands in each column. */
      readonly samples: readonly string[];
      readonly shape: string;
      /** What it is instead, where it is no list of work. */
      readonly marks: MarksTable | null;
      readonly courses: readonly TableCourse[] | null;
    }
  | { readonly turn: number; readonly fault: TableFault };

/** More than any list of a term's work, and too little to stall a phone. */
export const tableLimits = {
  fileBytes: 20_000_000,
  unpackedBytes: 80_000_000,
  files: 2_000,
  rows: 2_000,
  columns: 60,
  cell: 2_000,
} as const;

class Refused extends Error {
  override readonly name = 'Refused';
  constructor(readonly fault: TableFault) {
    super(fault);
  }
}

const startsWith = (bytes: Uint8Array, ...head: number[]) => head.every((byte, at) => bytes[at] === byte);

/** What a packed workbook would unpack to, before any of it is unpacked. */
function refuseBomb(bytes: Uint8Array): void {
  let unpacked = 0;
  let files = 0;
  unzipSync(bytes, {
    filter: ({ originalSize }) => {
      unpacked += originalSize;
      files += 1;
      return false;
    },
  });
  if (unpacked > tableLimits.unpackedBytes || files > tableLimits.files) throw new Refused('too-big');
}

const cellText = (cell: unknown): string => {
  if (cell instanceof Date) return cell.toISOString().slice(0, 10);
  // A spreadsheet reckons to fifteen places.
  if (typeof cell === 'number') return String(Number(cell.toFixed(4)));
  return typeof cell === 'string' || typeof cell === 'boolean' ? String(cell) : '';
};

/** Text of a file whose encoding nothing says: UTF-8 where it is that, else what western spreadsheets write. */
function decode(bytes: Uint8Array): string {
  if (startsWith(bytes, 0xff, 0xfe)) return new TextDecoder('utf-16le').decode(bytes);
  if (startsWith(bytes, 0xfe, 0xff)) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes); // every byte is a letter there
  }
}

async function gridOfFile(file: Blob): Promise<{ grid: Grid; isSheet: boolean }> {
  if (file.size > tableLimits.fileBytes) throw new Refused('too-big');
  const bytes = new Uint8Array(await file.arrayBuffer());
  if (startsWith(bytes, 0x50, 0x4b)) {
    refuseBomb(bytes);
    const rows = await readSheet(new Blob([bytes]));
    return { grid: rows.map((row) => row.map(cellText)), isSheet: true };
  }
  // The packed form of older spreadsheets, which nothing here reads.
  if (startsWith(bytes, 0xd0, 0xcf, 0x11, 0xe0)) throw new Refused('old-sheet');
  const text = decode(bytes);
  if (text.includes('\u0000')) throw new Refused('unreadable');
  return { grid: gridOf(text), isSheet: false };
}

/** By what a table of the same shape is known again. */
const shapeOf = (columns: readonly Column[]): string =>
  columns
    .map(({ header }) => header.trim().toLowerCase())
    .join('|')
    .slice(0, 300);

/** As much of a grid as is looked at. */
const bounded = (grid: Grid): Grid =>
  grid
    .slice(0, tableLimits.rows)
    .map((row) => row.slice(0, tableLimits.columns).map((cell) => cell.slice(0, tableLimits.cell)));

/** Answers what tables say. `tell` is called once for each ask. */
export function tableReader(tell: (answer: TableAnswer) => void): (ask: TableAsk) => Promise<void> {
  let grid: Grid = [];
  let cut = false;
  let isSheet = false;
  return async ({ turn, text, file, known, ...said }) => {
    try {
      if (text !== undefined && text.length > tableLimits.fileBytes) throw new Refused('too-big');
      if (text !== undefined || file) {
        const given = file ? await gridOfFile(file) : { grid: gridOf(text ?? ''), isSheet: false };
        cut = given.grid.length > tableLimits.rows;
        grid = bounded(given.grid);
        isSheet = given.isSheet;
      }
      const asked = { ...said, isSheet };
      const first = readGrid(grid, asked);
      const shape = shapeOf(first.columns);
      const before = asked.means === undefined ? known[shape] : undefined;
      const table =
        before?.length === first.columns.length ? readGrid(grid, { ...asked, means: before }) : first;
      // Words between commas are no table: something in it has to look like a day, a score, or a heading.
      const isTable = table.columns.some(
        ({ header, means }) => header !== '' || (means !== 'title' && means !== 'other'),
      );
      const marks = readMarks(grid, asked);
      const courses = marks ? null : readCourses(grid);
      const isEmpty = table.rows.length === 0 && table.problems.length === 0 && !marks && !courses;
      if (!isTable || isEmpty) throw new Refused('no-rows');
      const samples = table.columns.map(
        (_column, at) => grid.slice(1).find((row) => (row[at] ?? '') !== '')?.[at] ?? '',
      );
      tell({ turn, table, cut, samples, shape, marks, courses });
    } catch (error) {
      tell({ turn, fault: error instanceof Refused ? error.fault : 'unreadable' });
    }
  };
}
