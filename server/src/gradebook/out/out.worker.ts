import { bundleFiles, oneRosterOf, type OutChild } from '@cadro/core/out';
import { stringify } from 'csv-stringify/sync';
import writeSheets from 'write-excel-file/node';
import { fileNameOf, zipOf } from '../../kit';
import { courseList, courseLists, workList, type OutList } from './lists';

/* Files of a household's records: how large they are its schools decide. */

export interface OutAsk {
  readonly children: readonly OutChild[];
  readonly at: Date;
}

const cells = (rows: readonly (readonly unknown[])[], formulas: boolean): string =>
  stringify(rows as unknown[][], { record_delimiter: '\r\n', bom: formulas, escape_formulas: formulas });

/** As a school exports it: the standard knows no guard against formulas, and no mark of its encoding. */
export async function bundle({ children, at }: OutAsk): Promise<Buffer> {
  const tables = oneRosterOf(children, at.toISOString());
  const files = bundleFiles(tables).map(({ name, lines }) => ({ path: name, content: cells(lines, false) }));
  return zipOf(files, at);
}

/** For people and their spreadsheets: a cell that would run as a formula is guarded. */
export async function lists({ children, at }: OutAsk): Promise<Buffer> {
  const files = [courseList(children), workList(children)];
  return zipOf(
    files.map(({ name, rows }) => ({ path: `${name}.csv`, content: cells(rows, true) })),
    at,
  );
}

/** What no program takes for the name of a sheet, or for too long a one; of two the second gets a number. */
function sheetNames(lists: readonly OutList[]): string[] {
  const taken = new Set<string>();
  return lists.map(({ name }) => {
    const plain = fileNameOf(name)
      .replace(/[[\]']/g, ' ')
      .slice(0, 31)
      .trim();
    let own = plain;
    for (let count = 2; taken.has(own.toLowerCase()); count += 1)
      own = `${plain.slice(0, 28 - String(count).length)} ${count}`;
    taken.add(own.toLowerCase());
    return own;
  });
}

export function sheets({ children }: OutAsk): Promise<Buffer> {
  const found = [courseList(children), ...courseLists(children)];
  const names = sheetNames(found);
  return writeSheets(
    found.map(({ rows }, at) => ({
      sheet: names[at] ?? `${at}`,
      // Text is text: nothing of it is ever a formula.
      data: rows.map((row, index) =>
        row.map((value) => {
          if (value === null) return null;
          return typeof value === 'number'
            ? { type: Number, value }
            : { type: String, value, ...(index === 0 ? { fontWeight: 'bold' as const } : {}) };
        }),
      ),
    })),
  ).toBuffer();
}
